<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Simulation\Hook;
use Escapement\Core\Simulation\ScenarioEvent;

/** One thing that a hand did, and what it is to the simulation. Rule: docs/rules.md#bench-play. */
final readonly class BenchAct
{
    /**
     * @param array<string, mixed>        $keys     as they were read
     * @param list<Hook|ScenarioEvent>    $acts     in order
     * @param list<array<string, mixed>> $scenario the events among them, as on the wire
     */
    public function __construct(
        public int $atMs,
        public string $do,
        public array $keys,
        public array $acts = [],
        public array $scenario = [],
    ) {}
}
