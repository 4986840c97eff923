<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Season;

use Escapement\Core\Simulation\Metrics;

/** What one candidate sheet made of a list of disturbances. */
final readonly class CandidateOutcome
{
    /** @param list<string> $outcomes one a disturbance, packed by OutcomeTally */
    public function __construct(public string $name, public Metrics $metrics, public int|float|null $fuelLitres, public array $outcomes) {}
}
