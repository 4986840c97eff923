<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\Play\Across;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Terminals\PanelDevice;
use Escapement\Core\RelayLogic\Terminals\PanelPower;
use Escapement\Core\RelayLogic\Terminals\TerminalInput;
use Escapement\Core\RelayLogic\Terminals\TerminalList;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\RelayCheckReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/** `terminal_list` on the wire. Rule: docs/rules.md#terminal-list. */
final readonly class TerminalListReader implements InputReader
{
    private const KEYS = ['circuit', 'region', 'numbering', 'control', 'devices', 'power'];
    private const REGIONS = ['us_208y_120', 'us_480y_277', 'us_split_120_240', 'iec_400_230', 'iec_old_ryb', 'rybn'];
    /** VA of a coil until its maker says another. */
    private const COIL_VA = ['contactor' => 10.0, 'relay' => 2.0, 'timer' => 3.0, 'lamp' => 1.0, 'motor_changeover' => 50.0];
    /** Normally open and normally closed contacts that a device usually has. */
    private const CONTACTS = [
        'contactor' => [2, 2], 'pushbutton' => [1, 1], 'handle' => [1, 1], 'selector' => [8, 0], 'motor_changeover' => [4, 0],
    ];
    private const CHANGEOVERS = ['relay' => 4, 'timer' => 2, 'phase_relay' => 2];
    private const MOST_CONTACTS = 20;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new TerminalList())->of($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): TerminalInput
    {
        $in = new Fields($node);
        if (! $in->has('circuit')) {
            throw BadInput::missing($node->at('circuit', null)->path);
        }
        $circuit = (new RelayCheckReader())->circuit($in->at('circuit'));
        $in->only(self::KEYS);
        $region = $in->oneOf('region', self::REGIONS);
        if (($region === 'us_split_120_240') === $circuit->isThreePhase) {
            throw $in->at('region')->bad($circuit->isThreePhase ? 'This region has no three phases.' : 'This region has three phases.');
        }
        $byRung = $in->oneOf('numbering', ['sequence', 'rung'], 'sequence') === 'rung';
        $control = $in->maybeObject('control')?->only(['v_v', 'fuse_a', 'colour', 'across']);
        $words = array_map(
            static fn(Across $across): string => $across->value,
            $circuit->isThreePhase ? Across::cases() : [Across::L1N],
        );

        return new TerminalInput(
            $circuit,
            new ColourSystem($region),
            $byRung,
            $control?->number('v_v', 12, 690, 230.0) ?? 230.0,
            $control?->number('fuse_a', 0.5, 20, 6.0) ?? 6.0,
            $control?->oneOf('colour', ['phase', 'red'], 'phase') === 'red',
            Across::from($control?->oneOf('across', $words, 'L1N') ?? 'L1N'),
            $this->devices($in, $circuit),
            $in->at('power')->isNull() ? null : $this->power($in->object('power'), $circuit, str_starts_with($region, 'us_')),
        );
    }

    /** @return array<string, PanelDevice> */
    private function devices(Fields $in, RelayCircuit $circuit): array
    {
        $typed = $in->maybeObject('devices');
        $typed?->only(array_column($circuit->devices, 'id'));
        $devices = [];
        $nothing = new Fields(new Node(new \stdClass()));
        foreach ($circuit->devices as $device) {
            $devices[$device->id] = $this->device($typed?->maybeObject($device->id) ?? $nothing, $device);
        }

        return $devices;
    }

    private function device(Fields $in, RelayDevice $device): PanelDevice
    {
        $type = $device->type->value;
        $counts = self::CONTACTS[$type] ?? null;
        $changeovers = self::CHANGEOVERS[$type] ?? null;
        $in->only([
            'place',
            ...(isset(self::COIL_VA[$type]) ? ['coil_va'] : []),
            ...($counts !== null || $changeovers !== null ? ['contacts'] : []),
        ]);
        $place = $in->oneOf('place', ['panel', 'door', 'field'], match ($device->type) {
            RelayType::Lamp, RelayType::PushButton, RelayType::Selector => 'door',
            RelayType::Start => 'field',
            default => 'panel',
        });
        $coilVa = isset(self::COIL_VA[$type]) ? $in->number('coil_va', 0, 1000, self::COIL_VA[$type]) : 0.0;
        if (! $in->at('contacts')->isNull() || $in->has('contacts')) {
            $contacts = $in->object('contacts')->only($counts !== null ? ['no', 'nc'] : ['changeover']);
            $most = self::MOST_CONTACTS;
            $counts = $counts === null ? null : [$contacts->int('no', 0, $most), $contacts->int('nc', 0, $most)];
            $changeovers = $counts === null ? $contacts->int('changeover', 0, $most) : null;
        }

        return new PanelDevice($place, $coilVa, $counts[0] ?? null, $counts[1] ?? null, $changeovers);
    }

    private function power(Fields $in, RelayCircuit $circuit, bool $isNec): PanelPower
    {
        $in->only(['ocpd_a', 'load_a', 'material', 'poles', 'size']);
        $ocpd = $in->number('ocpd_a', $isNec ? 15 : 6, $isNec ? 6000 : 5000);
        $load = $in->number('load_a', 0.1, 2000);
        $material = $in->oneOf('material', ['cu', 'al'], 'cu');
        $poles = WiringFields::oneInt($in, 'poles', $circuit->isThreePhase ? [3, 4] : [1, 2], $circuit->isThreePhase ? 4 : 2);
        $size = null;
        if (! $in->at('size')->isNull()) {
            $size = $in->oneOf('size', $isNec ? Sizes::AWG : Sizes::MM2);
            if (! in_array($size, $isNec ? Sizes::awg($material) : Sizes::metric($material), true)) {
                throw $in->at('size')->bad('Aluminum is not made in this size.');
            }
        }

        return new PanelPower($ocpd, $load, $material, $poles === 4 || $poles === 2, $size);
    }
}
