<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A script that a company keeps, with the supply it was written for: another site's voltages are scaled from it.
 *
 * @property int                        $id
 * @property int                        $company_id
 * @property int                        $user_id
 * @property string                     $name
 * @property ?string                    $teaches
 * @property int                        $phases
 * @property float                      $nominal_v
 * @property float                      $nominal_hz
 * @property list<array<string, mixed>> $events     as on the wire
 */
final class Scenario extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['events' => 'array', 'nominal_v' => 'float', 'nominal_hz' => 'float'];
    }
}
