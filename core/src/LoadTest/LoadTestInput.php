<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A load test as it was read. Rule: docs/rules.md#load-test-evaluate. */
final readonly class LoadTestInput
{
    /**
     * @param non-empty-list<TestReading>     $readings in order of time
     * @param list<SeenStep>                  $steps
     * @param null|array<string, null|float> $previous figures of the last test: regulation_pct, droop_pct, oil_kpa, coolant_c, exhaust_c
     */
    public function __construct(
        public TestBase $base,
        public TestLimits $limits,
        public array $readings,
        public array $steps = [],
        public ?array $previous = null,
    ) {}
}
