<?php

declare(strict_types=1);

namespace App\Stage\Bench;

use App\Bridge\SwitchFacts;
use App\Device\DeviceClient;
use App\Device\NoDevice;
use App\Device\Refused;
use App\Models\Sheet;
use App\Models\Standing;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\SettingsDiff;
use Escapement\Core\Settings\SheetWords;

/** The settings that a device keeps, beside the newest sheet of its switch. Needs of the switch: what a standing needs. */
final readonly class DeviceSettings
{
    public string $serial;
    public int $revision;
    public bool $isSimulated;
    /** @var array<string, mixed> as on a sheet */
    public array $found;
    private SwitchFacts $facts;

    /**
     * @throws NoDevice
     * @throws Refused
     * @throws BadInput where the device keeps what is no sheet
     */
    public function __construct(private TransferSwitch $switch, private DeviceClient $client)
    {
        $read = $client->ask('read', ['names' => ['settings', 'revision']]);
        $this->facts = new SwitchFacts($switch);
        /** @var array<string, mixed> $found */
        $found = is_array($read['settings'] ?? null) ? $read['settings'] : [];
        $this->facts->settings($found);
        $this->found = $found;
        $this->revision = is_int($read['revision'] ?? null) ? $read['revision'] : 0;
        $serial = $client->device['serial'] ?? null;
        $this->serial = is_string($serial) ? $serial : '';
        $this->isSimulated = ($client->device['simulated'] ?? false) === true;
    }

    /** Of a made-up device nothing was found and nothing left on site: its settings are proposals. */
    public function standing(Standing $real): Standing
    {
        return $this->isSimulated ? Standing::Proposed : $real;
    }

    /** Where a version came from, for its note. */
    public function source(string $what): string
    {
        return "$what " . ($this->isSimulated ? 'the bench (simulated)' : 'the device') . " $this->serial, revision $this->revision.";
    }

    /**
     * @param array<string, mixed> $from
     * @param array<string, mixed> $to
     *
     * @return list<array{label: string, from: string, to: string}>
     */
    public function differences(array $from, array $to): array
    {
        return array_map(static fn($change): array => [
            'label' => SheetWords::label($change->path), 'from' => SheetWords::value($change->path, $change->from),
            'to' => SheetWords::value($change->path, $change->to),
        ], (new SettingsDiff())->compare($this->facts->settings($from), $this->facts->settings($to)));
    }

    /** @return list<Finding> that stop a sheet from being written to a device before a lead has read them */
    public function stops(Sheet $sheet): array
    {
        $settings = $this->facts->settings($sheet->settings);

        return array_values(array_filter(
            $this->facts->check($settings, $sheet->habits)->findings,
            static fn(Finding $finding): bool => $finding->severity === Severity::Stop,
        ));
    }

    /**
     * Writes a sheet and reads it back.
     *
     * @return array{revision: int, kept: array<string, mixed>} the new revision, and what the device keeps now
     *
     * @throws NoDevice
     * @throws Refused where nothing was changed
     */
    public function write(Sheet $sheet, string $confirm, int $expectedRevision): array
    {
        $answer = $this->client->ask('write_settings', [
            'settings' => $this->settings($sheet)->toWire(), 'expected_revision' => $expectedRevision, 'confirm' => $confirm,
        ]);
        $read = $this->client->ask('read', ['names' => ['settings', 'revision']]);
        /** @var array<string, mixed> $kept */
        $kept = is_array($read['settings'] ?? null) ? $read['settings'] : [];

        return ['revision' => is_int($answer['revision'] ?? null) ? $answer['revision'] : 0, 'kept' => $kept];
    }

    public function settings(Sheet $sheet): Settings
    {
        return $this->facts->settings($sheet->settings);
    }

    public function switch(): TransferSwitch
    {
        return $this->switch;
    }
}
