<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\Wiring\Conductor;
use Escapement\Core\Wiring\ConductorInput;
use Escapement\Core\Wiring\MetricConductor;
use Escapement\Core\Wiring\MetricConductorInput;

/** Sizes of control and power wires, and the ferrules for them. Rule: docs/rules.md#terminal-list. */
final readonly class WireSizes
{
    /** Size by the control fuse, to be confirmed with the adopted code. */
    private const AWG = [[7, '18'], [10, '16'], [15, '14'], [20, '12']];
    private const MM2 = [[6, '1'], [10, '1.5'], [16, '2.5'], [20, '4']];
    private const LEAST_FIELD_AWG = ['12', '14'];
    private const FERRULES = [
        '0.5' => 'white', '0.75' => 'gray', '1' => 'red', '1.5' => 'black', '2.5' => 'blue', '4' => 'gray', '6' => 'yellow', '10' => 'red',
        '16' => 'blue',
    ];
    private const AWG_FERRULES = ['18' => '1', '16' => '1.5', '14' => '2.5', '12' => '4', '10' => '6', '8' => '10', '6' => '16'];

    public string $control;
    public string $field;
    public ?string $power;
    /** What the conductor calculation gives; null when it finds none. */
    public ?string $needed;
    /** Null where no size was given. */
    public ?bool $givenPasses;

    public function __construct(private TerminalInput $input)
    {
        $control = '';
        foreach ($input->isNec() ? self::AWG : self::MM2 as [$upToA, $size]) {
            if ($control === '' && $input->fuseA <= $upToA) {
                $control = $size;
            }
        }
        $this->control = $control;
        $isEnough = $input->isNec() ? in_array($control, self::LEAST_FIELD_AWG, true) : (float) $control >= 1.5;
        $this->field = $isEnough ? $control : ($input->isNec() ? '14' : '1.5');
        $power = $input->power;
        $this->needed = $power === null ? null : $this->conductor($power, null)[0];
        $this->power = $power->size ?? $this->needed;
        $this->givenPasses = $power?->size === null ? null : $this->conductor($power, $power->size)[1];
    }

    /** @return ?array{mm2: float, colour: string} null: a lug */
    public function ferrule(?string $size): ?array
    {
        $mm2 = $this->input->isNec() ? self::AWG_FERRULES[$size ?? ''] ?? null : $size;
        $colour = self::FERRULES[$mm2 ?? ''] ?? null;

        return $mm2 === null || $colour === null ? null : ['mm2' => (float) $mm2, 'colour' => $colour];
    }

    /** @return array{?string, bool} */
    private function conductor(PanelPower $power, ?string $size): array
    {
        $result = $this->input->isNec()
            ? (new Conductor())->size(new ConductorInput(
                $power->material,
                continuousA: $power->loadA,
                ocpdA: $power->ocpdA,
                insulationC: 90,
                size: $size,
            ))
            : (new MetricConductor())->size(new MetricConductorInput(
                $power->material,
                70,
                continuousA: $power->loadA,
                ocpdA: $power->ocpdA,
                size: $size,
            ));

        return [$result->size, $result->passes];
    }
}
