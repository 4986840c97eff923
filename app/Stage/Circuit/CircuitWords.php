<?php

declare(strict_types=1);

namespace App\Stage\Circuit;

use Escapement\Core\RelayLogic\CircuitFault;
use Escapement\Core\RelayLogic\Contact;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** Devices, contacts and faults of a circuit in words. */
final readonly class CircuitWords
{
    /** @var array<string, Contact> */
    private array $contacts;

    public function __construct(private RelayCircuit $circuit)
    {
        $this->contacts = array_column($circuit->contacts(), null, 'id');
    }

    public function fault(string $name): string
    {
        [$kind, $what] = explode(':', $name, 2) + [1 => ''];
        $contact = $this->contacts[$what] ?? null;
        $place = $contact === null ? $what : $contact->words() . ' in ' . explode(':', $what)[0];

        return match ($kind) {
            'weld' => "$what welded",
            'coil_open' => "Coil of $what open",
            'stuck_on' => "$what stuck picked up",
            'stuck_off' => "$what stuck dropped",
            'bridged' => "$place bridged",
            default => "$place open",
        };
    }

    public function contactOf(string $id): ?Contact
    {
        return $this->contacts[$id] ?? null;
    }

    /** @return ?CircuitFault of this name, where the circuit can have it */
    public function faultOf(string $name): ?CircuitFault
    {
        foreach (CircuitFault::all($this->circuit) as $fault) {
            if ($fault->name() === $name) {
                return $fault;
            }
        }

        return null;
    }

    public static function type(RelayType $type): string
    {
        return match ($type) {
            RelayType::Contactor => 'Contactor',
            RelayType::Relay => 'Auxiliary relay',
            RelayType::Lamp => 'Lamp',
            RelayType::PushButton => 'Push-button',
            RelayType::Handle => 'Handle of the changeover',
            RelayType::Timer => 'Timer',
            RelayType::PhaseRelay => 'Phase-failure relay',
            RelayType::Selector => 'Selector',
            RelayType::MotorChangeover => 'Motor changeover',
            RelayType::Start => 'Start contact',
        };
    }

    /** What a device is set to, or what it belongs to. */
    public static function detail(RelayDevice $device): string
    {
        return match ($device->type) {
            RelayType::Contactor => $device->supply === null ? 'auxiliary' : "puts $device->supply on"
                . ($device->hasMirror ? ', mirror contacts' : ''),
            RelayType::Timer => (string) +$device->seconds . ' s ' . ($device->isOnDelay ? 'on-delay' : 'off-delay'),
            RelayType::PhaseRelay => "watches $device->supply",
            RelayType::Selector => implode(', ', $device->positions),
            RelayType::MotorChangeover => "I: $device->supplyI, II: $device->supplyII",
            RelayType::Start => "starts $device->supply",
            default => '',
        };
    }
}
