<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a panel meter showed at one moment, per phase; null: not read.
 *
 * @property int              $id
 * @property int              $company_id
 * @property int              $switch_id
 * @property int              $user_id
 * @property Carbon           $read_at
 * @property ?list<float>     $v_v       to neutral
 * @property ?list<float>     $v_ll_v    L1L2, L2L3, L3L1
 * @property list<float>      $a_a       per channel, as the meter shows it
 * @property ?list<float>     $pf
 * @property ?list<bool>      $lead
 * @property ?list<float>     $kw        per channel
 * @property ?list<float>     $v_deg
 * @property ?list<float>     $i_deg
 * @property ?float           $neutral_a
 * @property ?float           $ct_primary_a
 * @property ?float           $ct_secondary_a
 * @property ?float           $meter_primary_a   what the meter is set to; null: as the transformers
 * @property ?float           $meter_secondary_a
 * @property 'abc'|'acb'      $rotation  the order that is wanted
 * @property ?string          $note
 * @property User             $user
 */
final class MeterReading extends Model
{
    use BelongsToCompany;

    public $timestamps = false;
    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['read_at' => 'datetime'] + array_fill_keys(['v_v', 'v_ll_v', 'a_a', 'pf', 'lead', 'kw', 'v_deg', 'i_deg'], 'array')
            + array_fill_keys(['neutral_a', 'ct_primary_a', 'ct_secondary_a', 'meter_primary_a', 'meter_secondary_a'], 'float');
    }
}
