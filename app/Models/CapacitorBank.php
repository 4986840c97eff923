<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The capacitor bank of a three-phase panel and the load that it corrects; null: not known.
 *
 * @property int         $id
 * @property int         $company_id
 * @property int         $switch_id
 * @property int         $user_id
 * @property float       $kw
 * @property float       $pf
 * @property float       $target_pf
 * @property float       $v_ll_v
 * @property ?float      $rated_v      of its capacitors
 * @property ?float      $fixed_kvar
 * @property bool        $fixed_switchable
 * @property list<float> $steps_kvar
 * @property ?float      $discharge_s
 * @property ?float      $reconnect_s  least time between off and on
 * @property ?float      $system_kva   short-circuit power at the bus
 * @property float       $nonlinear_pct
 * @property bool        $detuned
 * @property ?float      $generator_kw the lightest load that the generator will carry
 * @property ?float      $generator_pf
 * @property ?Carbon     $updated_at
 */
final class CapacitorBank extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['steps_kvar' => 'array', 'fixed_switchable' => 'boolean', 'detuned' => 'boolean'] + array_fill_keys([
            'kw', 'pf', 'target_pf', 'v_ll_v', 'rated_v', 'fixed_kvar', 'discharge_s', 'reconnect_s', 'system_kva', 'nonlinear_pct',
            'generator_kw', 'generator_pf',
        ], 'float');
    }
}
