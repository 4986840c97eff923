<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\Standing;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\Settings\WriteSheet;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Keeps the settings of a device as a version, with where they came from, before anything is written to it. */
final readonly class KeepFound
{
    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate(['seen_version' => ['required', 'integer', 'min:0']]);
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        try {
            $device = new DeviceSettings($switch, BenchDesk::client(BenchDesk::standing($switch), 'viewer'));
        } catch (NoDevice|Refused|BadInput $away) {
            throw ValidationException::withMessages(['found' => $away->getMessage()]);
        }
        $sheet = $this->sheets->write(
            $switch,
            $device->found,
            $switch->sheet->habits ?? [],
            $device->standing(Standing::AsFound),
            $device->source('Read from'),
            $user,
            (int) $fields['seen_version'],
        );

        return redirect()->route('bench.settings', $switch)->with('said', $sheet === null
            ? 'Somebody has written a newer sheet in the meantime. Look at it first.' : "Kept as version $sheet->version.");
    }
}
