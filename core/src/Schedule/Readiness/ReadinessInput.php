<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

/** Sites before a storm. Rule: docs/rules.md#storm-readiness. */
final readonly class ReadinessInput
{
    /**
     * @param int                  $today   day
     * @param array<string, float> $weights by criterion
     * @param array<string, float> $minutes by action
     * @param list<ReadinessSite>  $sites
     */
    public function __construct(
        public int $today,
        public float $target,
        public float $fuelDaysWanted,
        public array $weights,
        public array $minutes,
        public array $sites,
    ) {}
}
