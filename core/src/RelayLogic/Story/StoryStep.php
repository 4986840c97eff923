<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Story;

/** One step on the way to a state: what happened, what followed from it at once, and how everything stands then. */
final readonly class StoryStep
{
    /**
     * @param string $title     what happened; empty at the beginning
     * @param string $detail    what it changed
     * @param bool   $isOutside it came from the surroundings or a person, and not from the circuit itself
     */
    public function __construct(public string $title, public string $detail, public bool $isOutside, public CircuitMoment $moment) {}
}
