<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\Device\Profile\DeviceProfile as Profile;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Device\ProfileReader;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A map of a foreign device's registers, as a company has written it.
 *
 * @property int                     $id
 * @property int                     $company_id
 * @property int                     $user_id
 * @property string                  $name
 * @property array<string, mixed>    $profile
 * @property Collection<int, Device> $devices
 */
final class DeviceProfile extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    protected $guarded = [];

    public function read(): Profile
    {
        return (new ProfileReader())->profile(Node::fromArray($this->profile));
    }

    /** @return HasMany<Device, $this> */
    public function devices(): HasMany
    {
        $relation = $this->hasMany(Device::class);
        $relation->orderBy('id');

        return $relation;
    }

    protected function casts(): array
    {
        return ['profile' => 'array'];
    }
}
