<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Models\Device;
use Illuminate\Http\RedirectResponse;

final readonly class RemoveDevice
{
    public function __invoke(Device $device): RedirectResponse
    {
        $device->delete();

        return redirect()->route('devices')->with('said', "$device->name is taken away.");
    }
}
