<?php

declare(strict_types=1);

namespace App\Stage\Devices;

use App\Device\DeviceReading;
use App\Device\Networks;
use App\Device\NoDevice;
use App\Models\Device;
use App\Models\DeviceProfile;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Reads a device once by a profile and shows what it says; kept as the device of a switch only after it has answered. */
final readonly class TestRead
{
    private const MOST = 200;

    public function __invoke(Request $request): RedirectResponse|View
    {
        $fields = $request->validate([
            'profile' => ['required', 'integer'], 'address' => ['required', 'string', 'max:45'],
            'port' => ['required', 'integer', 'between:1,65535'], 'unit' => ['required', 'integer', 'between:0,255'],
            'switch' => ['nullable', 'integer'], 'device_name' => ['nullable', 'required_with:switch', 'string', 'max:60'],
        ], [
            'profile.*' => 'Choose a map.', 'address.*' => 'An address of numbers, as 192.168.20.7.', 'port.*' => 'A port, usually 502.',
            'unit.*' => 'The number of the device behind the gateway, 0 to 255.', 'device_name.*' => 'A name for this device.',
        ]);
        /** @var User $user */
        $user = $request->user();
        $profile = DeviceProfile::query()->findOrFail((int) $fields['profile']);
        $switch = isset($fields['switch']) ? TransferSwitch::query()->findOrFail((int) $fields['switch']) : null;
        $request->flash();
        try {
            $reading = DeviceReading::of(
                Networks::of($user->company),
                $fields['address'],
                (int) $fields['port'],
                (int) $fields['unit'],
                $profile->read(),
            );
        } catch (\DomainException | NoDevice $fault) {
            return view('devices.page', ['page' => new DevicesPage($user, fault: $fault->getMessage())]);
        }
        if ($switch === null || ! $request->boolean('keep') || Device::query()->count() >= self::MOST) {
            return view('devices.page', ['page' => new DevicesPage($user, $reading, $profile->id)]);
        }
        Device::query()->create([
            'company_id' => $user->company_id, 'device_profile_id' => $profile->id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'name' => $fields['device_name'], 'address' => $fields['address'], 'port' => (int) $fields['port'],
            'unit' => (int) $fields['unit'],
        ]);

        return redirect()->route('devices')
            ->with('said', "{$fields['device_name']} is kept; load tests of {$switch->site->name} can read it.");
    }
}
