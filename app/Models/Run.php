<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A run that proves, or a service visit: a sheet, the marks of the stopwatch, and the chained record of all that was done.
 *
 * @property int            $id
 * @property int            $company_id
 * @property int            $switch_id
 * @property int            $sheet_id
 * @property int            $user_id
 * @property string         $purpose  proof or service
 * @property int            $reaction_ms
 * @property string         $head
 * @property ?string $seal of the head; null from before there were keys
 * @property ?string        $verdict
 * @property ?string        $signed_name
 * @property ?string        $signed_drawing
 * @property ?int           $signed_by
 * @property ?Carbon        $signed_at
 * @property Carbon         $created_at
 * @property ?array<string, mixed> $surveyed the facts of the survey that it was begun with
 * @property ?array<string, mixed> $work    what site and plan gave to its procedure
 * @property ?array<string, mixed> $options the schools chosen for its procedure
 * @property TransferSwitch $switch
 * @property Sheet          $sheet
 * @property User           $user
 * @property Collection<int, Mark>        $marks
 * @property Collection<int, RecordEntry> $entries
 * @property Collection<int, StepAnswer>  $answers
 * @property Collection<int, Photo>       $photos
 * @property Collection<int, HandoverLink> $links
 * @property Collection<int, PartProof> $proofs
 */
final class Run extends Model implements Recorded
{
    use BelongsToCompany;
    use ChangesStatus;

    public const PROOF = 'proof';
    public const SERVICE = 'service';
    public const UPDATED_AT = null;
    /** A signature drawn: path data of an SVG of 400 by 130, moves and lines only. */
    public const DRAWING = '/^(M\d{1,4} \d{1,4}(L\d{1,4} \d{1,4})*)*$/D';

    protected $guarded = [];

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    /** @return BelongsTo<Sheet, $this> */
    public function sheet(): BelongsTo
    {
        return $this->belongsTo(Sheet::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<Mark, $this> */
    public function marks(): HasMany
    {
        $relation = $this->hasMany(Mark::class);
        $relation->orderBy('at_ms')->orderBy('received_at')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<StepAnswer, $this> in the order in which they came */
    public function answers(): HasMany
    {
        $relation = $this->hasMany(StepAnswer::class);
        $relation->orderBy('seq');

        return $relation;
    }

    /** @return HasMany<Photo, $this> in the order in which they came */
    public function photos(): HasMany
    {
        $relation = $this->hasMany(Photo::class);
        $relation->orderBy('created_at')->orderBy('id');

        return $relation;
    }

    /** @return HasMany<PartProof, $this> what it was signed with, part by part */
    public function proofs(): HasMany
    {
        return $this->hasMany(PartProof::class);
    }

    /** @return HasMany<HandoverLink, $this> the newest first */
    public function links(): HasMany
    {
        $relation = $this->hasMany(HandoverLink::class);
        $relation->orderByDesc('id');

        return $relation;
    }

    /** @return HasMany<RecordEntry, $this> */
    public function entries(): HasMany
    {
        $relation = $this->hasMany(RecordEntry::class);
        $relation->orderBy('seq');

        return $relation;
    }

    /** The run, locked until the transaction ends: two writers of a record come one after the other. */
    public static function locked(int $id): self
    {
        $query = self::query();
        $query->lockForUpdate();

        return $query->findOrFail($id);
    }

    public function recordKey(): string
    {
        return 'run_id';
    }

    /** @return array<string, mixed> the plant that it was begun with: a verdict does not change because the survey does */
    public function plantThen(): array
    {
        return is_array($this->surveyed['plant'] ?? null) ? $this->surveyed['plant'] : $this->switch->plant;
    }

    public function isService(): bool
    {
        return $this->purpose === self::SERVICE;
    }

    public function isSigned(): bool
    {
        return $this->signed_at !== null;
    }

    protected function casts(): array
    {
        return ['signed_at' => 'datetime', 'created_at' => 'datetime', 'surveyed' => 'array', 'options' => 'array', 'work' => 'array'];
    }
}
