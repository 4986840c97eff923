<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\LoadTest\LoadStep;
use Escapement\Core\LoadTest\TestProfile;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A load test as it is planned, with its readings; closed, it keeps its verdict.
 *
 * @property int                          $id
 * @property int                          $company_id
 * @property int                          $switch_id
 * @property int                          $user_id
 * @property TestProfile                  $profile
 * @property array<string, mixed>         $plan        the input of load_test_plan
 * @property ?Carbon                      $planned_for
 * @property ?Carbon                      $closed_at
 * @property ?string                      $closed_by
 * @property ?string                      $verdict     as it was when it was closed
 * @property ?array<string, mixed>        $result      the answer of load_test_evaluate when it was closed
 * @property ?array<string, string>       $basis       facts as they were when it was closed
 * @property string                       $head        hash of the last entry of its record
 * @property ?string $seal of the head; null from before there were keys
 * @property ?string                      $signed_drawing path data, as Run::DRAWING
 * @property float                        $top_pct        the highest level that it asks for
 * @property ?int                         $equipment_id   the load bank
 * @property ?string                      $people
 * @property ?string                      $hours          when there may be load and noise
 * @property ?string                      $noise
 * @property ?string                      $edition        the edition that the company tests by
 * @property Carbon                       $created_at
 * @property TransferSwitch               $switch
 * @property User                         $user
 * @property ?Equipment                   $bank
 * @property Collection<int, LoadReading> $readings
 * @property Collection<int, LoadMark>    $marks
 * @property Collection<int, Photo>       $photos
 * @property Collection<int, Recording>   $recordings
 * @property Collection<int, RecordEntry> $entries
 */
final class LoadTest extends Model implements Recorded
{
    use BelongsToCompany;
    use ChangesStatus;

    protected $guarded = [];

    /** The test with its row locked: readings and the end come one after the other. */
    public static function locked(int $id): self
    {
        $query = self::query();
        $query->lockForUpdate();

        return $query->findOrFail($id);
    }

    /** @param array<string, mixed> $plan the input of load_test_plan */
    public static function topPct(array $plan): float
    {
        $profile = TestProfile::from((string) ($plan['profile'] ?? ''));
        $own = array_map(
            static fn(array $step): LoadStep => new LoadStep((float) $step['level_pct'], (float) $step['minutes']),
            array_values($plan['steps'] ?? []),
        );
        $classMin = isset($plan['class_min']) ? (float) $plan['class_min'] : null;

        return max([0.0, ...array_map(
            static fn(LoadStep $step): float => $step->levelPct,
            $profile->steps((string) ($plan['fuel'] ?? ''), $own, $classMin),
        )]);
    }

    /** @return list<LoadReading> those that count, in order of time */
    public function counting(): array
    {
        return array_values($this->readings->filter(static fn(LoadReading $one): bool => $one->struck_why === null)->all());
    }

    /** When the first reading that counts was taken; null before it. */
    public function firstReadingAt(): ?Carbon
    {
        return $this->readings()->whereNull('struck_why')->first()?->taken_at;
    }

    public function isClosed(): bool
    {
        return $this->closed_at !== null;
    }

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<LoadReading, $this> in order of time, struck ones too; of one moment the one that counts comes first */
    public function readings(): HasMany
    {
        $relation = $this->hasMany(LoadReading::class);
        $relation->orderBy('taken_at')->orderByRaw('struck_why IS NOT NULL')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<LoadMark, $this> in order of time, struck ones too */
    public function marks(): HasMany
    {
        $relation = $this->hasMany(LoadMark::class);
        $relation->orderBy('at')->orderByRaw('struck_why IS NOT NULL')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Photo, $this> in the order in which they came */
    public function photos(): HasMany
    {
        $relation = $this->hasMany(Photo::class);
        $relation->orderBy('created_at')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Recording, $this> of its steps */
    public function recordings(): HasMany
    {
        $relation = $this->hasMany(Recording::class);
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<RecordEntry, $this> */
    public function entries(): HasMany
    {
        $relation = $this->hasMany(RecordEntry::class);
        $relation->orderBy('seq');

        return $relation;
    }

    /** @return BelongsTo<Equipment, $this> */
    public function bank(): BelongsTo
    {
        return $this->belongsTo(Equipment::class, 'equipment_id');
    }

    public function recordKey(): string
    {
        return 'load_test_id';
    }

    protected function casts(): array
    {
        return [
            'profile' => TestProfile::class, 'plan' => 'array', 'top_pct' => 'float', 'result' => 'array', 'basis' => 'array',
            'planned_for' => 'datetime', 'closed_at' => 'datetime',
        ];
    }
}
