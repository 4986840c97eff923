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
use Escapement\Core\Device\Register\SettingsBlock;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * Writes the newest sheet to a device, with the serial typed and the revision that was seen; reads it back, and calls nothing done that
 * does not read back as it was written. What the device rounds is a version of its own, with the reason.
 */
final readonly class WriteToDevice
{
    public function __construct(private WriteSheet $sheets) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'version' => ['required', 'integer'], 'revision' => ['required', 'integer', 'min:0'],
            'confirm' => ['required', 'string', 'max:40'], 'read_stops' => ['nullable', 'boolean'],
        ], ['confirm.*' => 'Type the serial number of the device: it is what you write to.']);
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        $sheet = $switch->sheet;
        if ($sheet === null || $sheet->version !== (int) $fields['version']) {
            throw ValidationException::withMessages(['version' => 'There is a newer sheet: look at the differences again.']);
        }
        try {
            $device = new DeviceSettings($switch, BenchDesk::client(BenchDesk::standing($switch)));
            if ($device->stops($sheet) !== [] && ! ($user->role->mayLead() && (bool) ($fields['read_stops'] ?? false))) {
                throw ValidationException::withMessages([
                    'read_stops' => 'Findings stop this sheet. A lead reads them and says so, or they are put right first.',
                ]);
            }
            if ($fields['confirm'] !== $device->serial) {
                throw ValidationException::withMessages(['confirm' => 'That is not the serial number of this device.']);
            }
            $wrote = $device->settings($sheet);
            $written = $device->write($sheet, $fields['confirm'], (int) $fields['revision']);
        } catch (NoDevice|Refused|BadInput $no) {
            $field = $no instanceof Refused && $no->errorCode === 'conflict' ? 'revision' : 'device';
            throw ValidationException::withMessages([$field => $no->getMessage()]);
        }
        $expected = (new SettingsBlock())->sheet((new SettingsBlock())->encoded($wrote)[0]);
        $other = $device->differences($written['kept'], $expected);
        if ($other !== []) {
            throw ValidationException::withMessages(['device' => 'Stop. It reads back otherwise than it was written: '
                . implode('; ', array_map(static fn(array $one): string => "{$one['label']} {$one['from']}", $other))
                . '. Nothing is called done: find out why before the next outage.']);
        }
        $rounded = $device->differences($sheet->settings, $written['kept']);
        $kept = $this->sheets->write(
            $switch,
            $written['kept'],
            $sheet->habits,
            $device->standing(Standing::AsLeft),
            $device->source("Version $sheet->version written to, and read back as revision {$written['revision']}:")
                . ($rounded === [] ? '' : ' It keeps hundredths of a percent.'),
            $user,
            $sheet->version,
        );

        return redirect()->route('bench.settings', $switch)->with('said', 'Written, and read back as it was written, revision '
            . "{$written['revision']}." . ($kept === null ? '' : " Kept as version $kept->version.")
            . ($rounded === [] ? '' : ' The device keeps hundredths: ' . implode('; ', array_map(
                static fn(array $one): string => "{$one['label']} {$one['from']} became {$one['to']}",
                $rounded,
            )) . '.'));
    }
}
