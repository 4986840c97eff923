<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A measured supply as RMS steps; the file itself is not kept.
 *
 * @property int    $id
 * @property int    $company_id
 * @property int    $user_id
 * @property User   $user
 * @property string $name
 * @property string $source
 * @property int    $phases
 * @property float  $nominal_v
 * @property float  $nominal_hz
 * @property int    $until_ms
 * @property int    $points
 * @property string $series     deflated JSON
 * @property ?int   $load_test_id that it is of
 * @property ?array<string, mixed> $steps the answer of step_transients to it
 * @property Carbon $created_at
 */
final class Recording extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    protected $guarded = [];
    protected $hidden = ['series'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['nominal_v' => 'float', 'nominal_hz' => 'float', 'steps' => 'array', 'created_at' => 'datetime'];
    }
}
