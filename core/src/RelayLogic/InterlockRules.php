<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

use Escapement\Core\Finding\Severity;
use Escapement\Core\Topology\PlacedFindings;

/** Whether both sources can close, now or by one fault, and how the contactors are drawn. Rule: docs/rules.md#relay-check. */
final readonly class InterlockRules
{
    public function __construct(
        private RelayCircuit $circuit,
        private StateSpace $space,
        private FaultSearch $faults,
        private PlacedFindings $findings,
    ) {}

    public function judge(): void
    {
        $hasInterlock = $this->circuit->hasMechanicalInterlock;
        if ($this->space->isBothClosedReachable) {
            $this->findings->raise($hasInterlock ? 'electrical-interlock-defeated' : 'both-can-close');
        } else {
            foreach ($this->faults->closing as $fault) {
                $this->findings->raise($hasInterlock ? 'single-fault-saved' : 'single-fault-both-closed', $fault->device);
            }
        }
        $this->contactors();
        $this->coils();
        $this->labels();
        foreach (array_keys($this->faults->silenced) as $start) {
            $this->findings->raise('start-single-fault', (string) $start);
        }
        if ($this->circuit->isThreePhase) {
            $this->rotation();
        }
    }

    private function contactors(): void
    {
        $pair = $this->circuit->powerContactors();
        foreach ($pair as $i => $contactor) {
            $rung = $this->circuit->rungOf[$contactor->id] ?? null;
            $other = $pair[1 - $i]->id;
            if ($rung === null) {
                continue;
            }
            $isOther = static fn(Contact $contact): bool => $contact->kind === 'nc' && $contact->device === $other;
            if ($rung->when->isClosed(static fn(Contact $contact): bool => ! $isOther($contact))) {
                $this->findings->raise('interlock-missing', $contactor->id);
            }
            if (count(array_filter($rung->when->contacts(), $isOther)) > 1) {
                $this->findings->raise('interlock-duplicated', $contactor->id);
            }
        }
        if ($pair === []) {
            return;
        }
        if (! $this->circuit->hasMechanicalInterlock) {
            $this->findings->raise('relay-check/no-mechanical-interlock');
        }
        $isStrict = in_array($this->circuit->systemClass, ['emergency', 'legally_required'], true);
        $this->findings->raise('electrically-held', severity: $isStrict ? Severity::Stop : Severity::Note);
    }

    private function coils(): void
    {
        foreach ($this->circuit->devices as $device) {
            $isDriven = match (true) {
                $device->type === RelayType::MotorChangeover => isset(
                    $this->circuit->rungOf["$device->id.I"],
                    $this->circuit->rungOf["$device->id.II"],
                ),
                $device->type->hasCoil() && $device->type !== RelayType::Lamp => isset($this->circuit->rungOf[$device->id]),
                default => true,
            };
            if (! $isDriven) {
                $this->findings->raise('coil-not-driven', $device->id);
            }
        }
    }

    private function labels(): void
    {
        $seen = [];
        foreach ([...$this->circuit->rungs, ...$this->circuit->ofType(RelayType::Start)] as $owner) {
            foreach ($owner->when?->contacts() ?? [] as $contact) {
                if ($contact->label === null) {
                    continue;
                }
                if (isset($seen[$contact->device][$contact->label])) {
                    $this->findings->raise('contact-reused', $contact->device);
                }
                $seen[$contact->device][$contact->label] = true;
            }
        }
    }

    private function rotation(): void
    {
        $rotations = array_map(
            fn(string $supply): ?string => $this->circuit->supplyById[$supply]->rotation,
            array_map(strval(...), array_keys($this->circuit->sides())),
        );
        if (in_array(null, $rotations, true)) {
            $this->findings->raise('rotation-unverified');
        } elseif (count(array_unique($rotations)) > 1) {
            $this->findings->raise('rotation-mismatch');
        }
    }
}
