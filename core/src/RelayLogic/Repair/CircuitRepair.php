<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Repair;

use Escapement\Core\Finding\Finding;
use Escapement\Core\RelayLogic\RelayCircuit;

/** A change of a circuit that is proposed because of a finding, and what the proof finds once it is made. */
final readonly class CircuitRepair
{
    /**
     * @param string       $findingId what it is meant to clear
     * @param ?string      $at        where that finding stands
     * @param string       $label     verb and object: what is added or taken out
     * @param ?string      $rung      the rung that changes, where it is one
     * @param RelayCircuit $circuit   with the change
     * @param list<Finding> $clears   what is gone with it
     * @param list<Finding> $raises   what is new with it
     */
    public function __construct(
        public string $findingId,
        public ?string $at,
        public string $label,
        public ?string $rung,
        public RelayCircuit $circuit,
        public array $clears,
        public array $raises,
    ) {}

    /** The same for the same change, so that a button finds it again. */
    public function key(): string
    {
        return self::keyOf($this->findingId, $this->at);
    }

    public static function keyOf(string $findingId, ?string $at): string
    {
        return $findingId . ($at === null ? '' : "@$at");
    }
}
