<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A person's PIN on one device.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $user_id
 * @property string  $device_hash of the cookie that tells the device
 * @property string  $pin         hashed
 * @property int     $wrong       wrong ones in a row
 * @property ?Carbon $used_at
 * @property User    $user
 */
final class DevicePin extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    protected $guarded = [];
    protected $hidden = ['pin', 'device_hash'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['pin' => 'hashed', 'used_at' => 'datetime', 'created_at' => 'datetime', 'wrong' => 'integer'];
    }
}
