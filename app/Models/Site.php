<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\Plant\InstallationKind;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int              $id
 * @property int              $company_id
 * @property string           $name
 * @property ?string          $address
 * @property string           $timezone
 * @property string           $units        us or metric
 * @property InstallationKind $installation
 * @property ?int             $service_a
 * @property ?string          $altitude_m
 * @property ?string          $owner
 * @property ?string          $notes
 * @property ?float           $lat
 * @property ?float           $lon
 * @property Collection<int, TransferSwitch> $switches
 */
final class Site extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    protected $guarded = [];

    public function noteStatusChange(): void
    {
        StatusChange::ofSite($this->id);
    }

    /** @return HasMany<TransferSwitch, $this> */
    public function switches(): HasMany
    {
        $relation = $this->hasMany(TransferSwitch::class);
        $relation->orderBy('id');

        return $relation;
    }

    protected function casts(): array
    {
        return ['installation' => InstallationKind::class, 'lat' => 'float', 'lon' => 'float'];
    }
}
