<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule;

/** A switch, the clock of its place, and its exercise. */
final readonly class SwitchExercise
{
    public function __construct(public string $id, public Zone $zone, public Exercise $exercise) {}
}
