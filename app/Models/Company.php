<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int    $id
 * @property string $name
 * @property ?string $telephone
 * @property ?string $address
 * @property bool   $is_demo   made up, as are its sites and people
 * @property ?string $licence   as the law where they work asks it on paper
 * @property ?string $code_edition code and edition that it works to, where the plan of a site does not say another
 * @property ?list<string> $device_networks where its devices lie, beside this machine
 * @property ?int    $storm_from first month of the storm season
 * @property ?int    $storm_to   its last month
 */
final class Company extends Model
{
    protected $guarded = [];

    /** Whom an owner calls: the name, and the number where it is known. */
    public function toCall(): string
    {
        return $this->name . ($this->telephone === null ? '' : ", $this->telephone");
    }

    /** @return list<string> what stands below the name at the head of a paper */
    public function headLines(): array
    {
        return array_values(array_filter([$this->address, $this->telephone, $this->licence]));
    }

    /** The sign as it stands in a page or paper; null where there is none. */
    public function logo(): ?string
    {
        $logo = CompanyLogo::query()->where('company_id', $this->id)->first();

        return $logo === null ? null : 'data:image/jpeg;base64,' . base64_encode($logo->jpeg);
    }

    protected function casts(): array
    {
        return ['is_demo' => 'boolean', 'storm_from' => 'integer', 'storm_to' => 'integer', 'device_networks' => 'array'];
    }
}
