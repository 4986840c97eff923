<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What a company brings along: load banks, meters, torque tools. Retired, it stays named in the tests that were made with it.
 *
 * @property int          $id
 * @property int          $company_id
 * @property string       $kind       a key of KINDS
 * @property string       $name
 * @property ?string      $serial
 * @property ?Carbon      $calibrated_until
 * @property ?list<float> $elements_kw of a load bank, in the order of its switches
 * @property ?float       $rated_v
 * @property ?int         $phases
 * @property ?string      $cable
 * @property ?float       $cable_a
 * @property ?string      $fan_supply
 * @property bool         $drops_itself
 * @property ?Carbon      $retired_at
 */
final class Equipment extends Model
{
    use BelongsToCompany;

    public const KINDS = [
        'load_bank' => 'Load bank', 'meter' => 'Meter', 'torque_tool' => 'Torque tool', 'insulation_tester' => 'Insulation tester',
    ];

    protected $table = 'equipment';
    protected $guarded = [];

    public function isBank(): bool
    {
        return $this->kind === 'load_bank';
    }

    public function isOverdue(Carbon $on): bool
    {
        return $this->calibrated_until !== null && $this->calibrated_until->lessThan($on);
    }

    protected function casts(): array
    {
        return [
            'calibrated_until' => 'date:Y-m-d', 'elements_kw' => 'array', 'rated_v' => 'float', 'cable_a' => 'float',
            'drops_itself' => 'boolean', 'retired_at' => 'datetime',
        ];
    }
}
