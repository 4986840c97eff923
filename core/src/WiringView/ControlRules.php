<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

use Escapement\Core\Topology\PlacedFindings;

/** Control terminals, their wires and jumpers. Rule: docs/rules.md#wiring-view. */
final readonly class ControlRules
{
    public function __construct(private WiringViewInput $in, private PlacedFindings $findings) {}

    public function judge(): void
    {
        $wired = array_flip(array_map(static fn(ControlWire $wire): string => $wire->terminal, $this->in->controlWires));
        foreach ($this->in->controls as $control) {
            if ($control->isOfStart() && ! isset($wired[$control->id])) {
                $this->findings->raise('control-unwired', $control->id);
            }
            if ($control->fedBy !== null) {
                $this->findings->raise('control-foreign-voltage', $control->id);
            }
        }
        foreach ($this->in->controlWires as $wire) {
            if ($wire->isStranded === true && $wire->hasFerrule === false) {
                $this->findings->raise('ferrule-missing', $wire->id);
            }
        }
        foreach ($this->in->jumpers as $jumper) {
            $at = "$jumper->a-$jumper->b";
            if ($jumper->wanted !== $jumper->fitted) {
                $this->findings->raise($jumper->wanted ? 'jumper-missing' : 'jumper-extra', $at);
            }
            if ($jumper->fitted && count($this->sourcesJoinedWith($jumper->a)) > 1) {
                $this->findings->raise('jumper-joins-sources', $at);
            }
        }
    }

    /** @return array<string, true> what feeds the controls that fitted jumpers join with this one */
    private function sourcesJoinedWith(string $control): array
    {
        $joined = [$control => true];
        do {
            $before = count($joined);
            foreach ($this->in->jumpers as $jumper) {
                if ($jumper->fitted && (isset($joined[$jumper->a]) || isset($joined[$jumper->b]))) {
                    $joined += [$jumper->a => true, $jumper->b => true];
                }
            }
        } while (count($joined) > $before);
        $sources = [];
        foreach ($this->in->controls as $one) {
            if (isset($joined[$one->id]) && $one->fedBy !== null) {
                $sources[$one->fedBy] = true;
            }
        }

        return $sources;
    }
}
