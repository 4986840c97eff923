<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A meter or controller of a switch, behind a gateway.
 *
 * @property int            $id
 * @property int            $company_id
 * @property int            $device_profile_id
 * @property int            $switch_id
 * @property int            $user_id
 * @property string         $name
 * @property string         $address of the gateway, as a number
 * @property int            $port
 * @property int            $unit
 * @property DeviceProfile  $profile
 * @property TransferSwitch $switch
 */
final class Device extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return BelongsTo<DeviceProfile, $this> */
    public function profile(): BelongsTo
    {
        return $this->belongsTo(DeviceProfile::class, 'device_profile_id');
    }

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }
}
