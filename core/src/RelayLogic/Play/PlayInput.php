<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\RelayCircuit;

/** A circuit, its devices' times, and what happens to it. Rule: docs/rules.md#relay-play. */
final readonly class PlayInput
{
    /**
     * @param array<string, PlaySupply>  $supplies those that can fail, in the order of the circuit
     * @param array<string, DeviceTimes> $times    of every device that has any
     * @param ?string                    $selector its position at the start
     * @param int                        $motor    0, 1, 2 for I, 0, II
     * @param list<PlayEvent>            $script
     */
    public function __construct(
        public RelayCircuit $circuit,
        public array $supplies,
        public array $times,
        public bool $isSettled,
        public ?string $selector,
        public int $motor,
        public bool $isHandleIn,
        public array $script,
        public int $untilMs,
        public int $huntingLimit,
    ) {}

    public function preferred(): PlaySupply
    {
        return $this->supplies[$this->circuit->preferred];
    }
}
