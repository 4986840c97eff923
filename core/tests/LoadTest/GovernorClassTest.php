<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\RecordedWave;
use Escapement\Core\LoadTest\Recovery;
use Escapement\Core\LoadTest\SeenStep;
use Escapement\Core\Recording\Series;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The limits of the classes, each to its edge; and a recording as samples. */
final class GovernorClassTest extends TestCase
{
    /** @param 'G1'|'G2'|'G3' $class */
    #[Test, DataProvider('limits')]
    public function a_class_is_met_at_its_limit_and_not_beyond(
        string $class,
        bool $isIncrease,
        bool $isDiesel,
        float $vPct,
        float $hzPct,
        float $vS,
        float $hzS,
    ): void {
        $rank = GovernorClass::rank(GovernorClass::from($class));
        $met = fn(float $v, float $hz, float $vs, float $hzs): int => GovernorClass::rank(
            self::step($isIncrease, $v, $hz, $vs, $hzs)->classMet(200, 50, $isDiesel),
        );
        self::assertSame($rank, $met($vPct, $hzPct, $vS, $hzS));
        $more = $isIncrease ? -0.1 : 0.1;
        self::assertLessThan($rank, $met($vPct + $more, $hzPct, $vS, $hzS), 'volts beyond');
        self::assertLessThan($rank, $met($vPct, $hzPct + $more, $vS, $hzS), 'hertz beyond');
        self::assertLessThan($rank, $met($vPct, $hzPct, $vS + 0.1, $hzS), 'volts back too late');
        self::assertLessThan($rank, $met($vPct, $hzPct, $vS, $hzS + 0.1), 'hertz back too late');
    }

    /** @return iterable<string, array{'G1'|'G2'|'G3', bool, bool, float, float, float, float}> ISO 8528-5, to be confirmed */
    public static function limits(): iterable
    {
        yield 'G3 up, diesel' => ['G3', true, true, -15, -7, 4, 3];
        yield 'G2 up, diesel' => ['G2', true, true, -20, -10, 6, 5];
        yield 'G1 up, diesel' => ['G1', true, true, -25, -15, 10, 10];
        yield 'G3 up, spark' => ['G3', true, false, -15, -15, 4, 3];
        yield 'G2 up, spark' => ['G2', true, false, -20, -20, 6, 5];
        yield 'G1 up, spark' => ['G1', true, false, -25, -25, 10, 10];
        yield 'G3 down' => ['G3', false, true, 20, 10, 4, 3];
        yield 'G2 down' => ['G2', false, true, 25, 12, 6, 5];
        yield 'G1 down' => ['G1', false, true, 35, 18, 10, 10];
    }

    #[Test]
    public function a_value_that_never_came_back_meets_no_class_and_one_that_nobody_timed_speaks_against_none(): void
    {
        $never = new Recovery(null, ['G1' => null, 'G2' => null, 'G3' => null]);
        $step = static fn(Recovery $v): SeenStep => new SeenStep(1, 0, 10, 190, $v, 50, 49, new Recovery(1));
        self::assertNull($step($never)->classMet(200, 50, true));
        self::assertSame(GovernorClass::G3, $step(new Recovery(null))->classMet(200, 50, true));
    }

    #[Test]
    public function values_that_hold_until_the_next_become_samples_around_the_steps(): void
    {
        $volts = new Series(1);
        foreach ([0 => 120.0, 30_000 => 100.0, 30_500 => 119.0, 90_000 => 118.0] as $at => $v) {
            $volts->add($at, [$v], $at === 0 ? null : 60.5);
        }
        $volts->untilMs = 120_000;
        $power = new Series(1);
        $power->add(0, [2.0], null);
        $power->add(30_000, [9.0], null);
        $power->untilMs = 120_000;
        $wave = (new RecordedWave($volts, $power, 60, [new GivenStep(30_000)]))->wave();
        self::assertSame([27_000.0, 50_000.0], [$wave->tMs[0], $wave->tMs[$wave->count() - 1]]);
        self::assertSame(20.0, $wave->medianMs());
        $at = static fn(float $ms): int => (int) array_search($ms, $wave->tMs, true);
        self::assertSame([120.0, 100.0, 100.0, 119.0], array_map(
            static fn(float $ms): float => $wave->vV[0][$at($ms)],
            [29_980.0, 30_000.0, 30_480.0, 30_500.0],
        ));
        self::assertSame([60.0, 60.5], [$wave->hz[$at(29_980.0)], $wave->hz[$at(30_000.0)]], 'nominal where it was not recorded');
        self::assertSame([2.0, 9.0], [$wave->kw[$at(29_980.0)] ?? null, $wave->kw[$at(30_000.0)] ?? null]);
        $whole = (new RecordedWave($volts, null, 60, []))->wave();
        self::assertSame([0.0, 120_000.0, null], [$whole->tMs[0], $whole->tMs[$whole->count() - 1], $whole->kw]);
        self::assertTrue((new RecordedWave($volts, null, 60, []))->hasHertz());
    }

    private static function step(bool $isIncrease, float $vPct, float $hzPct, float $vS, float $hzS): SeenStep
    {
        return new SeenStep(
            10,
            $isIncrease ? 0 : 10,
            $isIncrease ? 10 : 0,
            200 * (1 + $vPct / 100),
            new Recovery($vS),
            50,
            50 * (1 + $hzPct / 100),
            new Recovery($hzS),
        );
    }
}
