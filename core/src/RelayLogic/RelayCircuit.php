<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** The control circuit of a changeover, as read. Rule: docs/rules.md#relay-check. */
final readonly class RelayCircuit
{
    /** @var array<string, RelaySupply> */
    public array $supplyById;

    /** @var array<string, RelayDevice> */
    public array $deviceById;

    /** @var array<string, Rung> by coil */
    public array $rungOf;

    /** @var array<string, RelayDevice> by coil, which of a motor changeover is one of three */
    public array $driven;

    /** @var array<string, list<RelayDevice>> */
    private array $byType;

    /**
     * @param list<RelaySupply> $supplies
     * @param list<RelayDevice> $devices
     * @param list<Rung>        $rungs
     * @param string            $preferred a supply that can fail
     */
    public function __construct(
        public bool $isThreePhase,
        public array $supplies,
        public string $preferred,
        public bool $hasMechanicalInterlock,
        public string $systemClass,
        public array $devices,
        public array $rungs,
    ) {
        $this->supplyById = array_column($supplies, null, 'id');
        $this->deviceById = array_column($devices, null, 'id');
        $this->rungOf = array_column($rungs, null, 'coil');
        $byType = $driven = [];
        foreach ($devices as $device) {
            $byType[$device->type->value][] = $device;
        }
        foreach ($rungs as $rung) {
            $device = $this->deviceById[explode('.', $rung->coil)[0]] ?? null;
            if ($device !== null) {
                $driven[$rung->coil] = $device;
            }
        }
        $this->byType = $byType;
        $this->driven = $driven;
    }

    /** @return list<RelayDevice> */
    public function ofType(RelayType $type): array
    {
        return $this->byType[$type->value] ?? [];
    }

    public function changeover(): ?RelayDevice
    {
        return $this->ofType(RelayType::MotorChangeover)[0] ?? null;
    }

    public function selector(): ?RelayDevice
    {
        return $this->ofType(RelayType::Selector)[0] ?? null;
    }

    /** @return list<RelayDevice> the two contactors with power on them, or none where a motor changes over */
    public function powerContactors(): array
    {
        return array_values(array_filter($this->devices, static fn(RelayDevice $device): bool => $device->isPowerContactor()));
    }

    /**
     * @return array<string, array{device: string, coil: string,
     *     closed: string}> by power source: its device, the coil toward it, and its name when closed
     */
    public function sides(): array
    {
        $changeover = $this->changeover();
        if ($changeover !== null) {
            return [
                (string) $changeover->supplyI => [
                    'device' => $changeover->id,
                    'coil' => "$changeover->id.I",
                    'closed' => "$changeover->id.I",
                ],
                (string) $changeover->supplyII => [
                    'device' => $changeover->id,
                    'coil' => "$changeover->id.II",
                    'closed' => "$changeover->id.II",
                ],
            ];
        }
        $sides = [];
        foreach ($this->powerContactors() as $contactor) {
            $sides[(string) $contactor->supply] = ['device' => $contactor->id, 'coil' => $contactor->id, 'closed' => $contactor->id];
        }

        return $sides;
    }

    /** An upper bound of the states it can be in, which says beforehand how long a search may take. */
    public function mostStates(): int
    {
        $states = 2 ** count($this->failing()) * max(1, count($this->selector()->positions ?? []));
        foreach ($this->devices as $device) {
            $states *= match ($device->type) {
                RelayType::Contactor, RelayType::Relay, RelayType::MotorChangeover => 3,
                RelayType::Timer, RelayType::PhaseRelay, RelayType::PushButton, RelayType::Handle => 2,
                default => 1,
            };
        }

        return $states;
    }

    /** @return list<Contact> of the rungs in order, then of the starts */
    public function contacts(): array
    {
        $contacts = [];
        foreach ([...$this->rungs, ...$this->ofType(RelayType::Start)] as $owner) {
            array_push($contacts, ...$owner->when?->contacts() ?? []);
        }

        return $contacts;
    }

    /**
     * The same circuit with other parts, its contacts numbered anew.
     *
     * @param null|list<RelayDevice> $devices
     * @param null|list<Rung>        $rungs
     */
    public function with(?array $devices = null, ?array $rungs = null, ?bool $hasMechanicalInterlock = null): self
    {
        return new self(
            $this->isThreePhase,
            $this->supplies,
            $this->preferred,
            $hasMechanicalInterlock ?? $this->hasMechanicalInterlock,
            $this->systemClass,
            array_map(
                static fn(RelayDevice $one): RelayDevice => $one->when === null ? $one : $one->whenStarted($one->when->numbered($one->id)),
                $devices ?? $this->devices,
            ),
            array_map(
                static fn(Rung $rung): Rung => new Rung($rung->id, $rung->coil, $rung->supply, $rung->when->numbered($rung->id)),
                $rungs ?? $this->rungs,
            ),
        );
    }

    /** @return list<RelaySupply> that can fail */
    public function failing(): array
    {
        return array_values(array_filter($this->supplies, static fn(RelaySupply $supply): bool => ! $supply->isAlways));
    }
}
