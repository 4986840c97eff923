<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** One device of a control circuit; which fields mean anything depends on its type. Rule: docs/rules.md#relay-check. */
final readonly class RelayDevice
{
    /**
     * @param ?string      $supply      of a power contactor or a phase relay; what a start starts
     * @param bool         $hasMirror   its auxiliary contacts cannot reclose while a main contact is welded
     * @param bool         $isOnDelay   of a timer: slow up and fast down; else the other way
     * @param list<string> $positions   of a selector
     * @param ?string      $supplyI     of a motor changeover
     * @param ?Expression  $when        of a start
     * @param float        $seconds     on the dial of a timer
     */
    public function __construct(
        public string $id,
        public RelayType $type,
        public ?string $supply = null,
        public bool $hasMirror = false,
        public bool $isOnDelay = false,
        public array $positions = [],
        public ?string $supplyI = null,
        public ?string $supplyII = null,
        public ?Expression $when = null,
        public float $seconds = 0.0,
    ) {}

    public function isPowerContactor(): bool
    {
        return $this->type === RelayType::Contactor && $this->supply !== null;
    }

    public function whenStarted(Expression $when): self
    {
        return new self($this->id, $this->type, $this->supply, when: $when);
    }
}
