<?php

declare(strict_types=1);

namespace App\Models;

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
 * @property Carbon                       $created_at
 * @property TransferSwitch               $switch
 * @property User                         $user
 * @property Collection<int, LoadReading> $readings
 */
final class LoadTest extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /** The test with its row locked: readings and the end come one after the other. */
    public static function locked(int $id): self
    {
        $query = self::query();
        $query->lockForUpdate();

        return $query->findOrFail($id);
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

    /** @return HasMany<LoadReading, $this> in order of time, struck ones too */
    public function readings(): HasMany
    {
        $relation = $this->hasMany(LoadReading::class);
        $relation->orderBy('taken_at')->orderBy('created_at');

        return $relation;
    }

    protected function casts(): array
    {
        return [
            'profile' => TestProfile::class, 'plan' => 'array', 'result' => 'array', 'basis' => 'array',
            'planned_for' => 'datetime', 'closed_at' => 'datetime',
        ];
    }
}
