<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\Topology\PlacedFindings;

/** What the builder must not find out on the bench. Rule: docs/rules.md#terminal-list. */
final readonly class TerminalFindings
{
    private PlacedFindings $findings;

    public function __construct(
        private TerminalInput $input,
        private ContactTerminals $terminals,
        private CircuitNets $nets,
        private WireList $wires,
        private WireSizes $sizes,
    ) {
        $this->findings = new PlacedFindings();
    }

    /** @return list<Finding> */
    public function all(Working $working): array
    {
        foreach ($this->input->circuit->devices as $device) {
            $this->contacts($device);
            $this->mirror($device);
        }
        foreach ($this->nets->nets->torn() as $point) {
            $this->findings->raise('terminal-two-potentials', explode(':', $point)[0], ['terminal' => $point]);
        }
        foreach ($this->nets->inOrder() as $net) {
            if (count($this->nets->nets->pointsOf($net)) === 1) {
                $this->findings->raise('dangling-wire', $this->nets->nets->name($net));
            }
        }
        $this->fuses($working);
        $this->power();
        if ($this->input->circuit->ofType(RelayType::Start) !== []) {
            $this->findings->raise('start-contact-foreign-voltage');
        }
        if (in_array('tap', array_column($this->wires->wires, 'kind'), true)) {
            $this->findings->raise('tap-protection');
        }
        $this->findings->raise('verify-by-test');

        return $this->findings->sorted();
    }

    private function contacts(RelayDevice $device): void
    {
        $needed = ['no' => 0, 'nc' => 0];
        $labels = [];
        foreach ($this->terminals->leavesOf($device->id) as $leaf) {
            $needed[$leaf->kind === 'nc' ? 'nc' : 'no']++;
            if (! $this->terminals->isLabelled($leaf)) {
                continue;
            }
            $label = implode('-', $this->terminals->of($leaf));
            if (isset($labels[$label])) {
                $this->findings->raise('contact-twice', $device->id, ['terminals' => $label]);
            }
            $labels[$label] = true;
            if (! $this->terminals->hasRightForm($leaf)) {
                $this->findings->raise('contact-label-form', $device->id, ['label' => $label]);
            }
        }
        $has = $this->input->devices[$device->id];
        $isShort = $has->changeover !== null
            ? $needed['no'] + $needed['nc'] > $has->changeover
            : $needed['no'] > ($has->no ?? 0) || $needed['nc'] > ($has->nc ?? 0);
        if ($isShort) {
            $this->findings->raise('contacts-short', $device->id, [
                'needed' => "{$needed['no']} normally open and {$needed['nc']} normally closed",
                'present' => $has->changeover !== null ? "$has->changeover changeover" : "$has->no and $has->nc",
            ]);
        }
    }

    private function mirror(RelayDevice $device): void
    {
        if (! $device->isPowerContactor() || $device->hasMirror) {
            return;
        }
        foreach ($this->input->circuit->rungs as $rung) {
            $driven = $this->input->circuit->deviceById[explode('.', $rung->coil)[0]];
            if ($driven->id === $device->id || ! $driven->isPowerContactor()) {
                continue;
            }
            foreach ($rung->when->contacts() as $contact) {
                if ($contact->device === $device->id && $contact->kind === 'nc') {
                    $this->findings->raise('interlock-not-mirror', $device->id);
                }
            }
        }
    }

    private function fuses(Working $working): void
    {
        $motorSupplies = [];
        foreach (array_keys($this->nets->used) as $supply) {
            $va = [];
            foreach ($this->input->circuit->rungs as $rung) {
                [$device, $command] = explode('.', $rung->coil) + [1 => null];
                if ($rung->supply === (string) $supply) {
                    $va[$device] = $this->input->devices[$device]->coilVa;
                }
                if ($command !== null) {
                    $motorSupplies[$rung->supply] = $device;
                }
            }
            $a = array_sum($va) / $this->input->controlV;
            $working->add("Coils on $supply", '(' . implode(' + ', $va) . " VA) / {$this->input->controlV} V", $a, 'A');
            if (RelativeTolerance::isOver($a, $this->input->fuseA)) {
                $this->findings->raise('control-fuse-overloaded', (string) $supply, ['a' => $a, 'fuse_a' => $this->input->fuseA]);
            }
        }
        if (count($motorSupplies) > 1) {
            $this->findings->raise('motor-common-two-supplies', $this->input->circuit->changeover()?->id);
        }
    }

    private function power(): void
    {
        $power = $this->input->power;
        if ($power === null) {
            return;
        }
        if ($this->sizes->power === null) {
            $this->findings->raise('power-size-missing');
        } elseif ($this->sizes->givenPasses === false) {
            $this->findings->raise('power-size-low', figures: [
                'size' => $power->size, 'load_a' => $power->loadA, 'ocpd_a' => $power->ocpdA,
                'needed' => $this->sizes->needed === null ? 'another breaker, or less load' : "size {$this->sizes->needed}",
            ]);
        }
    }
}
