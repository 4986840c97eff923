<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\Expression;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelaySupply;
use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Rung;

/** A circuit as `relay_check` reads it. Rule: docs/rules.md#relay-check. */
final readonly class CircuitWriter
{
    /** @return array<string, mixed> */
    public static function write(RelayCircuit $circuit): array
    {
        return [
            'phases' => $circuit->isThreePhase ? 3 : 1,
            'preferred' => $circuit->preferred,
            'mechanical_interlock' => $circuit->hasMechanicalInterlock,
            'system_class' => $circuit->systemClass,
            'supplies' => array_map(static fn(RelaySupply $one): array => [
                'id' => $one->id, 'rotation' => $one->rotation, 'always' => $one->isAlways,
            ], $circuit->supplies),
            'devices' => array_map(self::device(...), $circuit->devices),
            'rungs' => array_map(static fn(Rung $one): array => [
                'id' => $one->id, 'coil' => $one->coil, 'supply' => $one->supply, 'when' => self::expression($one->when),
            ], $circuit->rungs),
        ];
    }

    /** @return array<string, mixed> */
    private static function device(RelayDevice $device): array
    {
        return ['id' => $device->id, 'type' => $device->type->value] + match ($device->type) {
            RelayType::Contactor => ['power_from' => $device->supply, 'mirror_contacts' => $device->hasMirror],
            RelayType::Timer => ['mode' => $device->isOnDelay ? 'on_delay' : 'off_delay', 'seconds' => $device->seconds],
            RelayType::PhaseRelay => ['supply' => $device->supply],
            RelayType::Selector => ['positions' => $device->positions],
            RelayType::MotorChangeover => ['power_i' => $device->supplyI, 'power_ii' => $device->supplyII],
            RelayType::Start => ['starts' => $device->supply, 'when' => self::expression($device->when ?? Expression::parallel([]))],
            default => [],
        };
    }

    /** @return array<string, mixed> */
    private static function expression(Expression $expression): array
    {
        $contact = $expression->contact;
        if ($contact === null) {
            return [$expression->kind => array_map(self::expression(...), $expression->parts)];
        }

        return self::contact($contact);
    }

    /** @return array<string, mixed> */
    private static function contact(Contact $contact): array
    {
        return [$contact->kind => $contact->device]
            + ($contact->kind === 'of' ? ['at' => $contact->positions] : [])
            + ($contact->label === null ? [] : ['contact' => $contact->label]);
    }
}
