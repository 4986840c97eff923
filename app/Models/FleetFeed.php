<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * A device of a switch that connects out and reports by itself, by a token that was shown once.
 *
 * @property int                   $id
 * @property int                   $company_id
 * @property int                   $switch_id
 * @property int                   $user_id
 * @property string                $name
 * @property int                   $interval_s
 * @property ?Carbon               $heard_at     when its newest line came
 * @property ?Carbon               $said_at      when that was written, by the device's clock
 * @property bool                  $came_alone   and not out of a store
 * @property bool                  $is_simulated
 * @property ?array<string, mixed> $state        of its newest line
 * @property ?Carbon               $ended_at
 * @property TransferSwitch        $switch
 */
final class FleetFeed extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;
    private const KEPT_DAYS = 40;

    protected $guarded = [];
    protected $hidden = ['token_hash'];
    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** The feed with its row locked; null where the token opens nothing. */
    public static function lockedBy(string $token): ?self
    {
        $query = self::query()->withoutGlobalScope('company');
        $query->where('token_hash', self::hash($token))->whereNull('ended_at')->lockForUpdate();

        return $query->first();
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    /** What was said longer ago than anybody asks for. */
    public static function forget(): void
    {
        DB::table('fleet_lines')->where('at', '<', Carbon::now()->subDays(self::KEPT_DAYS))->delete();
    }

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    protected function casts(): array
    {
        return ['heard_at' => 'datetime', 'said_at' => 'datetime', 'ended_at' => 'datetime', 'created_at' => 'datetime', 'state' => 'array',
            'came_alone' => 'boolean', 'is_simulated' => 'boolean', 'interval_s' => 'integer',
        ];
    }
}
