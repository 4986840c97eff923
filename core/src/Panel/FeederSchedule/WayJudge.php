<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\FeederSchedule;

use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Topology\PlacedFindings;
use Escapement\Core\Wiring\Conductor;
use Escapement\Core\Wiring\ConductorInput;
use Escapement\Core\Wiring\EgcTable;
use Escapement\Core\Wiring\MetricConductor;
use Escapement\Core\Wiring\MetricConductorInput;
use Escapement\Core\Wiring\Resistance;
use Escapement\Core\Wiring\Sizes;

/** One way: its conductor, what clears an earth fault on it from either source, and whether it survives a short circuit. */
final readonly class WayJudge
{
    /** A thermal trip takes 60 s at 2.55 times: to be confirmed with the curve. */
    private const THERMAL = 330;
    private const THERMAL_FROM = 1.13;
    private const LONGEST_S = 5.0;
    private const X_OHM_PER_KM = 0.08;
    private const MAGNETIC_S = 0.02;
    private const RCD_S = 0.04;
    private const RCD_TIMES = 5;
    private const SEVERE_PCT = 10;
    private const SELECTIVE = 1.6;
    private const MM2_PER_KCMIL = 0.5067075;
    /** Adiabatic constants by material and insulation. To be confirmed. */
    private const K = [
        'iec' => ['cu' => [70 => 115, 90 => 143], 'al' => [70 => 76, 90 => 94]],
        'nec' => ['cu' => [60 => 105, 75 => 105, 90 => 92], 'al' => [60 => 68, 75 => 68, 90 => 60]],
    ];
    /** Let-through of small breakers, energy class 3, in A²s: to 16 A, above; to 6 kA, to 10 kA. To be confirmed. */
    private const LET_THROUGH = [
        'B' => [[35_000, 45_000], [70_000, 90_000]],
        'C' => [[42_000, 55_000], [84_000, 110_000]],
    ];

    public function __construct(private FeederInput $in, private PlacedFindings $findings) {}

    public function judge(FeederWay $way): JudgedWay
    {
        [$breaker, $size, $ampacity, $passes] = $this->conductor($way);
        if ($size === null) {
            $this->findings->raise('feeder-schedule3/no-size', $way->id);

            return new JudgedWay($way->id, null, $way->poles, ...array_fill(0, 11, null), flags: ['no-size']);
        }
        $pe = $way->peSize ?? $this->peSize($way, $size, $breaker);
        [$dropV, $dropPct] = $this->drop($way, $size);
        $magnetic = $way->magneticA($breaker);
        $utility = $this->fault($way, $size, $pe, $breaker, $this->in->supply->utilityOhm(), null);
        $generator = $this->in->supply->generatorKva === null ? null
            : $this->fault($way, $size, $pe, $breaker, $this->in->supply->generatorLoopOhm(), $this->in->supply->generatorA());
        $i2t = $this->letThrough($way, $breaker, $magnetic);
        $k2s2 = (self::K[$this->style()][$way->material][$way->insulationC] * min($this->mm2($size), $this->mm2($pe))) ** 2;
        $survives = RelativeTolerance::isAtLeast($k2s2, $i2t);
        $flags = [
            ...$passes ? [] : ['conductor-fails'],
            ...$this->dropFlags($dropPct),
            ...self::disconnectionFlags($utility, $generator),
            ...$this->breakerFlags($way, $breaker, $survives),
        ];
        sort($flags);
        foreach ($flags as $flag) {
            $this->findings->raise("feeder-schedule3/$flag", $way->id, ['pct' => $dropPct]);
        }

        return new JudgedWay(
            $way->id,
            $breaker,
            $way->poles,
            $size,
            $pe,
            $ampacity,
            $dropV,
            $dropPct,
            $magnetic,
            $utility,
            $generator,
            $i2t,
            $k2s2,
            $survives,
            $flags,
        );
    }

    /** @return list<string> */
    private function dropFlags(float $dropPct): array
    {
        return match (true) {
            RelativeTolerance::isOver($dropPct, self::SEVERE_PCT) => ['drop-severe'],
            RelativeTolerance::isOver($dropPct, $this->in->dropLimitPct) => ['drop-over-limit'],
            default => [],
        };
    }

    /** @return list<string> */
    private static function disconnectionFlags(EarthFault $utility, ?EarthFault $generator): array
    {
        return array_keys(array_filter([
            'no-disconnection-utility' => $utility->method === 'none',
            'no-disconnection-generator' => $generator?->method === 'none',
            'thermal-only-on-generator' => $generator?->method === 'thermal',
        ]));
    }

    /** @return list<string> */
    private function breakerFlags(FeederWay $way, float $breakerA, bool $survives): array
    {
        return array_keys(array_filter([
            'breaking-capacity' => RelativeTolerance::isOver($this->in->supply->maxKa(), $way->breakingKa),
            'adiabatic-fails' => ! $survives && $way->i2tA2s !== null,
            'adiabatic-unproven' => ! $survives && $way->i2tA2s === null,
            'selectivity-doubtful' => RelativeTolerance::isOver(self::SELECTIVE * $breakerA, $this->in->changeover->utilityBreakerA),
        ]));
    }

    /** @return array{float, ?string, ?float, bool} breaker, size, ampacity, and whether it passes */
    private function conductor(FeederWay $way): array
    {
        if ($this->in->isIec) {
            $result = (new MetricConductor())->size(new MetricConductorInput(
                $way->material,
                $way->insulationC === 90 ? 90 : 70,
                noncontinuousA: $way->loadA,
                ocpdA: $way->breakerA,
                ambientC: $way->ambientC,
                circuits: $way->grouped,
                size: $way->size,
            ));
        } else {
            $result = (new Conductor())->size(new ConductorInput(
                $way->material,
                $way->isContinuous ? $way->loadA : 0.0,
                $way->isContinuous ? 0.0 : $way->loadA,
                $way->breakerA,
                insulationC: $way->insulationC,
                ambientC: $way->ambientC,
                currentCarrying: $way->grouped,
                size: $way->size,
            ));
        }

        return [$result->ocpdA, $result->size, $result->ampacityA, $result->passes];
    }

    private function peSize(FeederWay $way, string $size, float $breaker): string
    {
        if (! $this->in->isIec) {
            return EgcTable::egc($breaker, $way->material);
        }
        $mm2 = (float) $size;
        if ($mm2 <= 35) {
            return $mm2 <= 16 ? $size : '16';
        }
        foreach (Sizes::metric($way->material) as $one) {
            if ((float) $one >= $mm2 / 2) {
                return $one;
            }
        }

        return $size;
    }

    /** @return array{float, float} volts and percent */
    private function drop(FeederWay $way, string $size): array
    {
        $v = ($way->poles === 3 ? sqrt(3) : 2) * $way->loadA
            * ($this->ohm($way, $size) * $way->pf + $this->reactance($way) * sqrt(1 - $way->pf ** 2));

        return [$v, 100 * $v / ($way->poles === 1 ? $this->in->supply->vLn() : $this->in->supply->vLl)];
    }

    private function fault(FeederWay $way, string $size, string $pe, float $breaker, float $sourceOhm, ?float $generatorA): EarthFault
    {
        $c = $this->in->isIec ? 0.95 : 1.0;
        $r = $this->ohm($way, $size) + $this->ohm($way, $pe);
        $a = $c * $this->in->supply->vLn() / hypot($r, $sourceOhm + 2 * $this->reactance($way));
        $sustained = $generatorA === null ? $a : min($a, ($this->in->supply->sustainedMultiple ?? 0.0) * $generatorA);
        $m = $sustained / $breaker;
        $thermalS = RelativeTolerance::isOver($m, self::THERMAL_FROM) ? self::THERMAL / ($m ** 2 - 1) : null;

        return match (true) {
            RelativeTolerance::isAtLeast($a, $way->magneticA($breaker)) => new EarthFault($a, $sustained, 'magnetic', self::MAGNETIC_S),
            $way->rcdMa !== null && RelativeTolerance::isAtLeast($sustained, self::RCD_TIMES * $way->rcdMa / 1000)
                => new EarthFault($a, $sustained, 'rcd', self::RCD_S),
            $thermalS !== null && RelativeTolerance::isAtLeast($way->disconnectS, $thermalS)
                => new EarthFault($a, $sustained, 'thermal', $thermalS),
            default => new EarthFault($a, $sustained, 'none', $thermalS),
        };
    }

    private function letThrough(FeederWay $way, float $breaker, float $magnetic): float
    {
        if ($way->i2tA2s !== null) {
            return $way->i2tA2s;
        }
        $ka = $this->in->supply->maxKa();
        $a = 1000 * $ka;
        $m = $a / $breaker;
        $t = match (true) {
            RelativeTolerance::isAtLeast($a, $magnetic) => $way->clearS,
            RelativeTolerance::isOver($m, self::THERMAL_FROM) => min(self::LONGEST_S, self::THERMAL / ($m ** 2 - 1)),
            default => self::LONGEST_S,
        };
        $i2t = $a ** 2 * $t;
        $limits = $this->in->isIec ? self::LET_THROUGH[$way->curve ?? ''] ?? null : null;
        if ($limits === null || RelativeTolerance::isOver($breaker, 32) || RelativeTolerance::isOver($ka, 10)) {
            return $i2t;
        }
        $row = $limits[RelativeTolerance::isOver($ka, 6) ? 1 : 0];

        return min($i2t, (float) $row[RelativeTolerance::isOver($breaker, 16) ? 1 : 0]);
    }

    private function ohm(FeederWay $way, string $size): float
    {
        return (new Resistance($this->style(), $way->material, 'dc'))->perKm($size) * $way->lengthM / 1000;
    }

    private function reactance(FeederWay $way): float
    {
        return self::X_OHM_PER_KM * $way->lengthM / 1000;
    }

    private function mm2(string $size): float
    {
        return $this->in->isIec ? (float) $size : Sizes::kcmil($size) * self::MM2_PER_KCMIL;
    }

    /** @return 'iec'|'nec' */
    private function style(): string
    {
        return $this->in->isIec ? 'iec' : 'nec';
    }
}
