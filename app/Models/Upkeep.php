<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What is known of a switch and its set for service and storm. Null: nobody has found out.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $switch_id
 * @property int     $user_id
 * @property ?Carbon $installed_on
 * @property ?string $cooling  air or liquid
 * @property string  $school   which rule asks for load tests
 * @property int     $priority 5 most urgent
 * @property ?float  $fuel_days at storm load
 * @property ?Carbon $battery_installed_on
 * @property ?string $selector as it was seen last
 * @property ?int    $attends_user_id who has to be there when it runs
 * @property ?string $noise_group     sets that share a street or a main
 * @property ?string $sleep_from
 * @property ?string $sleep_to
 * @property ?string $business_from  on working days
 * @property ?string $business_to
 * @property ?Carbon $updated_at
 */
final class Upkeep extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['installed_on' => 'date', 'battery_installed_on' => 'date', 'fuel_days' => 'float'];
    }
}
