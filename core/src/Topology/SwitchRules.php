<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Severity;

/** Poles, withstand rating, transition and class of every switch. Rule: docs/rules.md#topology. */
final readonly class SwitchRules
{
    /** How many of the class facts a class judges, from the first. */
    private const JUDGED = ['none' => 0, 'optional' => 1, 'legally_required' => 4, 'emergency' => 7];

    /** Kinds that a hand moves. */
    private const BY_HAND = ['plug_in', 'changeover_handle'];

    public function __construct(private ReachMap $reach, private PlacedFindings $findings) {}

    public function judge(): void
    {
        foreach ($this->reach->drawing->switches as $switch) {
            $this->poles($switch);
            $this->withstand($switch);
            $facts = $switch->declared;
            if ($facts !== null) {
                $this->basis($switch, $facts);
                $this->transition($switch, $facts);
                $this->systemClass($switch, $facts);
            }
        }
    }

    private function poles(Element $switch): void
    {
        $needed = $this->reach->drawing->phases() + ($switch->switchesNeutral() ? 1 : 0);
        if ($switch->poles !== $needed) {
            $this->findings->raise($switch->poles < $needed ? 'poles-too-few' : 'poles-spare', $switch->id);
        }
        if (! $switch->isInterlocked) {
            $this->findings->raise('topology/no-mechanical-interlock', $switch->id);
        }
        if ($switch->neutral === 'overlapping') {
            $this->findings->raise('overlapping-neutral', $switch->id);
        }
    }

    private function withstand(Element $switch): void
    {
        if ($switch->withstandKa === null) {
            $this->findings->raise('withstand-unknown', $switch->id);
        }
        $faultKa = $switch->ratings->faultKa;
        $currents = [$faultKa ?? 0];
        foreach ($this->reach->drawing->sources as $source) {
            $isReaching = $this->reach->everReaches($source->id, "$switch->id.normal")
                || $this->reach->everReaches($source->id, "$switch->id.emergency");
            if (! $isReaching || $faultKa !== null) {
                continue;
            }
            $currents[] = $source->faultKa ?? 0;
            if ($source->faultKa === null && $source->isUtilityLike()) {
                $this->findings->raise('fault-current-unknown', $switch->id);
            }
        }
        if ($switch->withstandKa !== null && max($currents) > $switch->withstandKa) {
            $this->findings->raise('withstand-exceeded', $switch->id);
        }
    }

    /** A withstand figure holds only with what the switch was tested with. */
    private function basis(Element $switch, SwitchFacts $facts): void
    {
        if ($switch->withstandKa === null) {
            return;
        }
        if ($facts->withstandBasis === null) {
            $this->findings->raise('withstand-basis-unknown', $switch->id);
        } elseif ($facts->withstandBasis === 'any_breaker') {
            $this->findings->raise('withstand-needs-instantaneous', $switch->id);
        } elseif ($facts->isWithstandDeviceOk !== true) {
            $this->findings->raise(
                $facts->isWithstandDeviceOk === false ? 'withstand-device-wrong' : 'withstand-device-unconfirmed',
                $switch->id,
            );
        }
        if ($facts->isRatingMarked === false) {
            $this->findings->raise('switch-marking-missing', $switch->id);
        }
    }

    private function transition(Element $switch, SwitchFacts $facts): void
    {
        if ($facts->transition !== 'closed') {
            return;
        }
        $this->findings->raise('closed-transition', $switch->id);
        if ($facts->hasUtilityAgreement !== true) {
            $this->findings->raise('closed-transition-no-agreement', $switch->id);
        }
    }

    private function systemClass(Element $switch, SwitchFacts $facts): void
    {
        $class = $facts->systemClass;
        $judged = array_slice($facts->class, 0, self::JUDGED[$class]);
        if (($judged['listed'] ?? true) === false) {
            $this->findings->raise('not-listed-for-class', $switch->id, severity: $class === 'optional' ? Severity::Warn : Severity::Stop);
        }
        if ($class === 'emergency' || $class === 'legally_required') {
            $this->required($switch, $facts, $class === 'emergency');
        }
        foreach ([
            'only_class_loads' => 'class-loads-mixed',
            'wiring_separate' => 'wiring-not-separate',
            'temporary_source_point' => 'no-temporary-source-point',
        ] as $fact => $id) {
            if (($judged[$fact] ?? true) === false) {
                $this->findings->raise($id, $switch->id);
            }
        }
        if (in_array(null, $judged, true)) {
            $this->findings->raise('class-facts-open', $switch->id);
        }
    }

    private function required(Element $switch, SwitchFacts $facts, bool $isEmergency): void
    {
        if ($facts->class['electrically_held'] === true) {
            $this->findings->raise('electrically-held-not-allowed', $switch->id);
        }
        if (in_array($switch->kind, self::BY_HAND, true)) {
            $this->findings->raise('not-automatic-for-class', $switch->id);
        }
        if ($facts->class['start_circuit_supervised'] === false) {
            $this->findings->raise('start-circuit-unsupervised', $switch->id, severity: $isEmergency ? Severity::Stop : Severity::Warn);
        }
        if ($facts->class['selective_coordination'] === false) {
            $this->findings->raise('not-selectively-coordinated', $switch->id);
        }
    }
}
