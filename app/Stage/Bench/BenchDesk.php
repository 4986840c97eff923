<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\DeviceClient;
use App\Device\NoDevice;
use App\Models\Bench;
use App\Models\TransferSwitch;

/** The way from a page to the bench of a switch. */
final readonly class BenchDesk
{
    public static function of(TransferSwitch $switch): ?Bench
    {
        return Bench::query()->where('switch_id', $switch->id)->first();
    }

    /** Not found where it does not stand. */
    public static function standing(TransferSwitch $switch): Bench
    {
        return Bench::query()->where('switch_id', $switch->id)->firstOrFail();
    }

    /** @throws NoDevice when the daemon does not answer, or it is another bench that answers */
    public static function client(Bench $bench, string $role = 'technician'): DeviceClient
    {
        $token = config('bench.token');
        $client = new DeviceClient(config()->string('bench.host'), $bench->linesPort(), $role, is_string($token) ? $token : null);
        if (($client->device['serial'] ?? null) !== $bench->serial) {
            throw new NoDevice('Another installation answers there: it is being put up.');
        }

        return $client;
    }
}
