<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** One reading of a load test; what nobody read is null. */
final readonly class TestReading
{
    /**
     * @param list<float> $vV per phase
     * @param list<float> $aA per phase
     * @param float       $kw as read, else of volts, amperes and power factor
     */
    public function __construct(
        public float $tS,
        public array $vV,
        public array $aA,
        public float $hz,
        public float $kw,
        public ?float $oilKpa = null,
        public ?float $coolantC = null,
        public ?float $exhaustC = null,
        public ?float $batteryV = null,
    ) {}

    public function v(): float
    {
        return array_sum($this->vV) / max(1, count($this->vV));
    }

    /** @param list<float> $values */
    public static function unbalancePct(array $values): float
    {
        $mean = array_sum($values) / max(1, count($values));
        $deviations = array_map(static fn(float $value): float => abs($value - $mean), $values);

        return $mean === 0.0 || count($values) < 2 ? 0.0 : 100 * max([0.0, ...$deviations]) / $mean;
    }
}
