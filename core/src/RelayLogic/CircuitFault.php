<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** A single fault that is present from power-up on. Rule: docs/rules.md#relay-check. */
final readonly class CircuitFault
{
    /**
     * @param 'bridged'|'coil_open'|'open'|'stuck_off'|'stuck_on'|'weld' $kind
     * @param string                                                     $what   a device or the id of a contact
     * @param string                                                     $device whose fault it is
     * @param ?string                                                    $start  the start whose own contact it is
     */
    public function __construct(public string $kind, public string $what, public string $device, public ?string $start = null) {}

    public function name(): string
    {
        return "$this->kind:$this->what";
    }

    /** @return list<self> every single fault of a circuit: devices, then the contacts of rungs, then those of starts */
    public static function all(RelayCircuit $circuit): array
    {
        $faults = [];
        foreach ($circuit->devices as $device) {
            foreach (self::kinds($device) as $kind) {
                $faults[] = new self($kind, $device->id, $device->id);
            }
        }
        $starts = $circuit->ofType(RelayType::Start);
        foreach ([...$circuit->rungs, ...$starts] as $owner) {
            foreach ($owner->when?->contacts() ?? [] as $contact) {
                $start = $owner instanceof RelayDevice ? $owner->id : null;
                $faults[] = new self('bridged', $contact->id, $contact->device, $start);
                $faults[] = new self('open', $contact->id, $contact->device, $start);
            }
        }

        return $faults;
    }

    /** @return list<'coil_open'|'stuck_off'|'stuck_on'|'weld'> */
    private static function kinds(RelayDevice $device): array
    {
        return match ($device->type) {
            RelayType::Contactor => $device->isPowerContactor() ? ['weld', 'coil_open'] : ['coil_open'],
            RelayType::Relay, RelayType::Timer => ['coil_open', 'stuck_on'],
            RelayType::PhaseRelay => ['stuck_off', 'stuck_on'],
            RelayType::MotorChangeover => ['coil_open'],
            default => [],
        };
    }
}
