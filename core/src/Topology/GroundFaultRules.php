<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * Ground-fault protection of equipment: where it is asked for, and where a solid neutral leads current past it. Rule:
 * docs/rules.md#topology.
 */
final readonly class GroundFaultRules
{
    private const FROM_A = 1000;
    private const ABOVE_V_TO_GROUND = 150;
    private const TO_V = 1000;

    public function __construct(private ReachMap $reach, private PlacedFindings $findings) {}

    public function judge(): void
    {
        $this->serviceDevices();
        foreach ($this->reach->drawing->switches as $switch) {
            if ($this->isSolidBetween($switch) && $this->isProtectedAhead("$switch->id.normal")) {
                $this->findings->raise('gfp-with-solid-neutral', $switch->id);
            }
        }
    }

    private function serviceDevices(): void
    {
        foreach ($this->isAsked() ? $this->reach->drawing->devices : [] as $device) {
            $isProtected = $device->element->hasGroundFaultProtection;
            if ($device->isService && ($device->ratingA ?? 0) >= self::FROM_A && $isProtected !== true) {
                $this->findings->raise($isProtected === false ? 'gfp-required' : 'gfp-not-stated', $device->ref);
            }
        }
    }

    private function isAsked(): bool
    {
        $voltsLl = $this->reach->drawing->voltsLl;

        return $this->reach->drawing->system === 'three'
            && $voltsLl !== null
            && $voltsLl / sqrt(3) > self::ABOVE_V_TO_GROUND
            && $voltsLl <= self::TO_V;
    }

    private function isSolidBetween(Element $switch): bool
    {
        if ($switch->neutral !== 'solid' || ! $this->reach->gridReaches("$switch->id.normal")) {
            return false;
        }
        foreach ($this->reach->drawing->sources as $source) {
            if (in_array(
                $source->kind,
                ['generator', 'inverter'],
                true,
            ) && $this->reach->closedReaches($source->id, "$switch->id.emergency")) {
                return true;
            }
        }

        return false;
    }

    private function isProtectedAhead(string $node): bool
    {
        foreach ($this->reach->drawing->devices as $device) {
            if ($device->kind !== 'breaker'
                && $device->element->hasGroundFaultProtection === true
                && ! $this->reach->gridReaches($node, [$device->ref => true])) {
                return true;
            }
        }

        return false;
    }
}
