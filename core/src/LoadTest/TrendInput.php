<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** The load tests of one set. Rule: docs/rules.md#load-test-trend. */
final readonly class TrendInput
{
    public const BATTERY_V = 12.0;
    public const ALPHA = 0.1;
    public const HORIZON_YEARS = 2.0;

    /**
     * @param non-empty-list<PastTest> $tests  in order of their dates; the last is what the others are compared with
     * @param array<string, float>     $limits by figure, of one's own
     * @param float                    $alpha  chance below which a trend counts
     */
    public function __construct(
        public array $tests,
        public float $batteryNominalV = self::BATTERY_V,
        public array $limits = [],
        public float $alpha = self::ALPHA,
        public float $horizonYears = self::HORIZON_YEARS,
    ) {}

    public function reference(): PastTest
    {
        return $this->tests[count($this->tests) - 1];
    }

    public function limit(TrendFigure $figure): ?float
    {
        return $this->limits[$figure->value] ?? $figure->limit($this->batteryNominalV);
    }
}
