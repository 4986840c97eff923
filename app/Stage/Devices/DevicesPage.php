<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Device\DeviceReading;
use App\Models\Company;
use App\Models\DeviceProfile;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\HeardDevice;
use Illuminate\Database\Eloquent\Collection;

/** Maps of a company, its devices, and where they may lie; after a test read what was read, too. */
final readonly class DevicesPage
{
    /** @var Collection<int, DeviceProfile> */
    public Collection $profiles;
    public Company $company;

    /** @param ?int $readBy the profile by which was read */
    public function __construct(User $user, public ?DeviceReading $reading = null, public ?int $readBy = null, public ?string $fault = null)
    {
        $this->company = $user->company;
        $query = DeviceProfile::query()->with(['devices.switch.site']);
        $query->orderBy('name');
        $this->profiles = $query->get();
    }

    /** @return array<int, string> */
    public function profileNames(): array
    {
        $names = [];
        foreach ($this->profiles as $profile) {
            $names[$profile->id] = $profile->name;
        }

        return $names;
    }

    /** @return list<HeardDevice> */
    public function heard(): array
    {
        return HeardDevice::all();
    }

    /**
     * @param string $none what stands where none is chosen
     *
     * @return array<int|string, string>
     */
    public function switches(string $none = 'none: only try'): array
    {
        $switches = ['' => $none];
        $query = TransferSwitch::query()->with('site');
        foreach ($query->orderBy('id')->get()->sortBy('site.name') as $switch) {
            $switches[$switch->id] = "{$switch->site->name}, $switch->name";
        }

        return $switches;
    }

    /** A line each, as they are typed. */
    public function networks(): string
    {
        return implode("\n", $this->company->device_networks ?? []);
    }

    /** @return list<array{quantity: string, where: string, value: string, working: string, doubt: ?string}> of what was read */
    public function lines(): array
    {
        $lines = [];
        foreach ($this->reading->places ?? [] as $read) {
            $place = $read->place;
            $quantity = $place->quantity;
            $value = match (true) {
                $read->value === null => 'not known',
                $quantity->isState() => $read->value == 1.0 ? 'yes' : 'no',
                default => rtrim(rtrim(number_format($read->value, 3, '.', ''), '0'), '.')
                    . ($quantity->unit() === 'ratio' ? '' : "\u{202F}" . $quantity->unit()),
            };
            $lines[] = [
                'quantity' => $quantity->label(),
                'where' => "{$place->table->value} $place->address" . ($place->bit === null ? '' : ", bit $place->bit")
                    . ", {$place->type->value}" . ($place->isLowFirst ? ', low word first' : ''),
                'value' => $value, 'working' => $read->raw === null ? '' : $place->working($read->raw), 'doubt' => $read->doubt,
            ];
        }

        return $lines;
    }
}
