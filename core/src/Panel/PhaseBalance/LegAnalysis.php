<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/** What some ways put on legs and neutral, as phasors. Rule: docs/rules.md#phase-balance. */
final readonly class LegAnalysis
{
    private const ZERO = 1e-9;
    private const DEG = [0.0, -120.0, 120.0];

    /**
     * @param list<float> $legA
     * @param ?float      $i2OfI1Pct null without positive sequence
     */
    public function __construct(
        public array $legA,
        public float $unbalancePct,
        public float $neutralFundamentalA,
        public float $neutralTriplenA,
        public float $neutralA,
        public float $i1A,
        public float $i2A,
        public ?float $i2OfI1Pct,
    ) {}

    /** @param list<PanelWay> $ways */
    public static function of(array $ways): self
    {
        $re = $im = [0.0, 0.0, 0.0];
        $triplen = 0.0;
        foreach ($ways as $way) {
            foreach (self::phasors($way) as [$leg, $deg, $sign]) {
                $re[$leg] += $sign * $way->a * cos(deg2rad($deg));
                $im[$leg] += $sign * $way->a * sin(deg2rad($deg));
            }
            $triplen += $way->isToNeutral() ? $way->a * $way->triplenPct / 100 : 0.0;
        }
        $legs = array_values(array_map(static fn(float $x, float $y): float => hypot($x, $y), $re, $im));
        $mean = array_sum($legs) / 3;
        $most = max([0.0, ...array_map(static fn(float $leg): float => abs($leg - $mean), $legs)]);
        $neutral = hypot(array_sum($re), array_sum($im));
        $i1 = self::sequence($re, $im, 1);
        $i2 = self::sequence($re, $im, -1);

        return new self(
            $legs,
            $mean > self::ZERO ? 100 * $most / $mean : 0.0,
            $neutral,
            $triplen,
            hypot($neutral, $triplen),
            $i1,
            $i2,
            $i1 > self::ZERO ? 100 * $i2 / $i1 : null,
        );
    }

    public function mostA(): float
    {
        return max([0.0, ...$this->legA]);
    }

    public function spreadA(): float
    {
        return $this->mostA() - min([INF, ...$this->legA]);
    }

    /** @return list<array{int, float, int}> leg, angle and sign */
    private static function phasors(PanelWay $way): array
    {
        $phi = rad2deg(acos($way->pf)) * ($way->isLeading ? -1 : 1);
        $legs = PanelWay::legs($way->connect);
        if (count($legs) !== 2) {
            return array_map(static fn(int $leg): array => [$leg, self::DEG[$leg] - $phi, 1], $legs);
        }
        // The voltage between two legs that follow each other leads the first by 30°.
        $deg = self::DEG[$legs[0]] + 30 - $phi;

        return [[$legs[0], $deg, 1], [$legs[1], $deg, -1]];
    }

    /**
     * @param array<int, float> $re
     * @param array<int, float> $im
     */
    private static function sequence(array $re, array $im, int $turn): float
    {
        $x = $y = 0.0;
        foreach ([0, 120, 240] as $leg => $deg) {
            $angle = deg2rad($turn * $deg);
            $x += $re[$leg] * cos($angle) - $im[$leg] * sin($angle);
            $y += $re[$leg] * sin($angle) + $im[$leg] * cos($angle);
        }

        return hypot($x, $y) / 3;
    }
}
