<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Models\DeviceProfile;
use Illuminate\Http\RedirectResponse;
use Illuminate\Validation\ValidationException;

final readonly class RemoveProfile
{
    public function __invoke(DeviceProfile $profile): RedirectResponse
    {
        if ($profile->devices()->exists()) {
            throw ValidationException::withMessages(['map' => "$profile->name has devices: take them away first."]);
        }
        $profile->delete();

        return redirect()->route('devices')->with('said', "$profile->name is taken away.");
    }
}
