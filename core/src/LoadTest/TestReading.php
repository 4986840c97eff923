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
        $count = count($values);
        $mean = array_sum($values) / max(1, $count);
        if ($mean === 0.0 || $count < 2) {
            return 0.0;
        }
        $most = 0.0;
        foreach ($values as $value) { // thousands of readings: no closure here
            $most = max($most, abs($value - $mean));
        }

        return 100 * $most / $mean;
    }
}
