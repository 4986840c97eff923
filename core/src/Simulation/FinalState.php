<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** How everything stands at until_ms; `engine` and `start_contact` null where the kind has none. */
final readonly class FinalState
{
    /** @param list<string> $shed */
    public function __construct(
        public int $tMs,
        public string $position,
        public bool $isMoving,
        public ?string $engine,
        public ?string $startContact,
        public string $test,
        public bool $isNormalGood,
        public bool $isEmergencyGood,
        public bool $isBusLive,
        public array $shed,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            't_ms' => $this->tMs, 'position' => $this->position, 'moving' => $this->isMoving, 'engine' => $this->engine,
            'start_contact' => $this->startContact, 'test' => $this->test, 'normal_good' => $this->isNormalGood,
            'emergency_good' => $this->isEmergencyGood, 'bus_live' => $this->isBusLive, 'shed' => $this->shed,
        ];
    }
}
