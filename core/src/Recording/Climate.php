<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * A supply described by how often it disturbs and for how long; draws a list of disturbances from it that a seed repeats.
 *
 * Arrivals are Poisson; lengths are spread evenly in their logarithm between the two ends, since short ones are the many.
 */
final readonly class Climate
{
    public const MOST_DISTURBANCES = 5000;
    private const YEAR_DAYS = 365;

    public function __construct(
        public float $blinksPerYear,
        public float $blinkLongestS,
        public float $sagsPerYear,
        public float $sagDeepestPct,
        public float $sagLongestS,
        public float $outagesPerYear,
        public float $outageShortestS,
        public float $outageLongestS,
        /** Share of the outages after which the supply comes and goes again within a minute. */
        public float $falseReturnShare,
        public int $days,
        public int $seed,
    ) {}

    /**
     * @return list<array{at_ms: int, events: list<array<string, mixed>>}> in order, none begins before the one before is over
     */
    public function disturbances(int|float $nominalV): array
    {
        $random = new Randomizer(new Xoshiro256StarStar($this->seed));
        $unit = static fn(): float => $random->getInt(0, 999_999) / 1_000_000;
        $logarithmic = static fn(float $least, float $most): float => $least * ($most / $least) ** $unit();
        $set = static fn(float $atS, int|float $v): array => [
            'at_ms' => (int) round($atS * 1000),
            'do' => 'set_source',
            'source' => 'normal',
            'v' => $v,
        ];
        $rates = [$this->blinksPerYear, $this->sagsPerYear, $this->outagesPerYear];
        $perSecond = array_sum($rates) / (self::YEAR_DAYS * 86_400);
        $untilS = $this->days * 86_400;
        $list = [];
        $atS = 0.0;
        while ($perSecond > 0 && count($list) < self::MOST_DISTURBANCES) {
            $atS += -log(1 - $unit()) / $perSecond;
            if ($atS > $untilS) {
                break;
            }
            $pick = $unit() * array_sum($rates);
            if ($pick < $rates[0]) {
                $events = [$set(0, 0), $set($lastsS = $logarithmic(0.05, max(0.06, $this->blinkLongestS)), $nominalV)];
            } elseif ($pick < $rates[0] + $rates[1]) {
                $percent = $this->sagDeepestPct + $unit() * (90 - $this->sagDeepestPct);
                $events = [
                    $set(0, round($nominalV * $percent / 100, 1)),
                    $set($lastsS = $logarithmic(0.05, max(0.06, $this->sagLongestS)), $nominalV),
                ];
            } else {
                $lastsS = $logarithmic($this->outageShortestS, max($this->outageShortestS + 1, $this->outageLongestS));
                $events = [$set(0, 0), $set($lastsS, $nominalV)];
                if ($unit() < $this->falseReturnShare) {
                    $events[] = $set($lastsS += 2 + 50 * $unit(), 0);
                    $events[] = $set($lastsS += $logarithmic(5, 300), $nominalV);
                }
            }
            $list[] = ['at_ms' => (int) round($atS * 1000), 'events' => $events];
            $atS += $lastsS + 1;
        }

        return $list;
    }
}
