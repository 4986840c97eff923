<?php

declare(strict_types=1);

namespace App\Device;

use App\Models\Device;
use Escapement\Core\Device\Profile\DeviceProfile;
use Escapement\Core\Device\Profile\PlaceReading;
use Escapement\Core\Device\Profile\Quantity;
use Illuminate\Support\Carbon;

/** What a device of a company says at one moment, by its profile. */
final readonly class DeviceReading
{
    /** @param list<PlaceReading> $places */
    private function __construct(public array $places, public bool $isSimulated, public Carbon $at) {}

    /**
     * @throws \DomainException where the address is not allowed
     * @throws NoDevice
     */
    public static function of(Networks $networks, string $address, int $port, int $unit, DeviceProfile $profile): self
    {
        $networks->check($address, $port);
        $device = new ForeignDevice($address, $port, $unit);

        return new self($device->read($profile), $device->isSimulated(), Carbon::now());
    }

    /**
     * @throws \DomainException
     * @throws NoDevice
     */
    public static function from(Device $device, Networks $networks): self
    {
        return self::of($networks, $device->address, $device->port, $device->unit, $device->profile->read());
    }

    /** In our unit; null where it is not known, or cannot be. */
    public function value(Quantity $quantity): ?float
    {
        foreach ($this->places as $place) {
            if ($place->place->quantity === $quantity) {
                return $place->isGood() ? $place->value : null;
            }
        }

        return null;
    }
}
