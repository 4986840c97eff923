<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\RelayLogic\RelayType;

/** What to buy and to count out for a panel. */
final readonly class PartsList
{
    private const DEVICES = ['contactor', 'relay', 'timer', 'phase_relay', 'motor_changeover', 'selector', 'pushbutton', 'lamp'];

    public function __construct(private TerminalInput $input, private CircuitNets $nets, private WireList $wires) {}

    /** @return list<array{part: string, qty: int}> none that is not needed */
    public function parts(): array
    {
        $circuit = $this->input->circuit;
        $parts = [];
        foreach (self::DEVICES as $type) {
            $parts[$type] = count($circuit->ofType(RelayType::from($type)));
        }
        $parts['mechanical_interlock'] = $circuit->hasMechanicalInterlock && $circuit->changeover() === null ? 1 : 0;
        $parts['control_fuse'] = count($this->nets->used);
        $parts['neutral_link'] = count($this->nets->used);
        $parts['terminal'] = count($this->wires->strip);
        $parts['end_stop'] = $this->wires->strip === [] ? 0 : 2;
        $parts['marker'] = 2 * count($this->wires->wires);
        $ferrules = [];
        foreach ($this->wires->wires as $wire) {
            if ($wire->ferrule !== null) {
                $mm2 = (string) $wire->ferrule['mm2'];
                $ferrules[$mm2] = ($ferrules[$mm2] ?? 0) + 2;
            }
        }
        ksort($ferrules, SORT_NUMERIC);
        foreach ($ferrules as $mm2 => $qty) {
            $parts["ferrule_$mm2"] = $qty;
        }

        $needed = array_filter($parts, static fn(int $qty): bool => $qty > 0);

        return array_map(
            static fn(string $part, int $qty): array => ['part' => $part, 'qty' => $qty],
            array_keys($needed),
            array_values($needed),
        );
    }
}
