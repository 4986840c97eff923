<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One outgoing way of a three-phase board.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $switch_id
 * @property int     $place
 * @property string  $name
 * @property string  $connects    L1 … L3L1, or 3P
 * @property float   $load_a
 * @property float   $pf
 * @property ?float  $breaker_a   null: chosen by the schedule
 * @property float   $breaking_ka
 * @property float   $length_m
 * @property string  $material
 * @property ?string $size        null: chosen by the schedule
 * @property ?float  $rcd_ma
 * @property bool    $final       a final circuit: it has to disconnect faster
 * @property bool    $shed        off on the generator
 * @property bool    $locked      stays on its phase
 */
final class Way extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /** @return list<self> of a switch, in their order on the board */
    public static function of(int $switchId): array
    {
        return array_values(self::query()->where('switch_id', $switchId)->get()->sortBy('place')->all());
    }

    protected function casts(): array
    {
        return array_fill_keys(['load_a', 'pf', 'breaker_a', 'breaking_ka', 'length_m', 'rcd_ma'], 'float')
            + array_fill_keys(['final', 'shed', 'locked'], 'boolean');
    }
}
