<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The board of a three-phase changeover: what feeds it, what it is made for, where its neutrals are earthed. Null: not known.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $switch_id
 * @property int     $user_id
 * @property ?float  $v_ll_v
 * @property ?float  $transformer_kva
 * @property ?float  $z_pct
 * @property ?float  $fault_ka
 * @property ?float  $generator_kva
 * @property ?float  $changeover_a
 * @property ?float  $utility_breaker_a
 * @property ?float  $generator_breaker_a
 * @property ?float  $withstand_ka
 * @property ?float  $busbar_a
 * @property ?float  $busbar_icw_ka
 * @property ?float  $neutral_rated_a
 * @property ?float  $neutral_a       current in the neutral of the load
 * @property string  $diversity
 * @property ?int    $poles           3 or 4
 * @property ?string $wording
 * @property ?bool   $first_earthed
 * @property ?bool   $second_earthed
 * @property ?bool   $panel_bond
 * @property ?bool   $neutrals_swapped
 * @property string  $neutral_sequence
 * @property ?Carbon $updated_at
 */
final class Distribution extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    protected function casts(): array
    {
        return array_fill_keys([
            'v_ll_v', 'transformer_kva', 'z_pct', 'fault_ka', 'generator_kva', 'changeover_a', 'utility_breaker_a', 'generator_breaker_a',
            'withstand_ka', 'busbar_a', 'busbar_icw_ka', 'neutral_rated_a', 'neutral_a',
        ], 'float') + array_fill_keys(['first_earthed', 'second_earthed', 'panel_bond', 'neutrals_swapped'], 'boolean');
    }
}
