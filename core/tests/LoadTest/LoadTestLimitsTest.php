<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\MannKendall;
use Escapement\Core\LoadTest\MeasuredStep;
use Escapement\Core\LoadTest\PlausibleReading;
use Escapement\Core\LoadTest\StepTransients;
use Escapement\Core\LoadTest\TransientInput;
use Escapement\Core\LoadTest\Waveform;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where a load test begins to say something: every limit from both sides, typed a second time from the rules. */
final class LoadTestLimitsTest extends TestCase
{
    /** @param array<string, mixed> $more */
    #[Test, DataProvider('plans')]
    public function a_plan_says_it_here_and_not_there(array $more, string $id, bool $isSaid): void
    {
        $plan = (new Calculations())->calc('load_test_plan', Node::fromArray(
            $more + ['profile' => 'semi_annual', 'nameplate_kw' => 40, 'fuel' => 'diesel', 'bank_elements_kw' => [10, 20, 20]],
        ));
        self::assertSame($isSaid, in_array($id, array_column($plan['findings'], 'id'), true));
    }

    /** @return iterable<string, array{array<string, mixed>, string, bool}> */
    public static function plans(): iterable
    {
        $custom = static fn(float $pct, float $kw): array => [
            'profile' => 'custom', 'steps' => [['level_pct' => $pct, 'minutes' => 30]], 'building_kw' => $kw, 'bank_elements_kw' => [],
        ];
        yield 'a diesel at 30 %' => [$custom(20, 12), 'wet-stacking', false];
        yield 'a diesel below' => [$custom(20, 11.9), 'wet-stacking', true];
        yield 'gas below' => [['fuel' => 'natural_gas'] + $custom(20, 11.9), 'wet-stacking', false];
        yield 'more than the set gives' => [$custom(100, 40.1), 'over-rating', true];
        yield 'all that it gives' => [$custom(100, 40), 'over-rating', false];
        yield 'a cold start with a warm-up' => [['profile' => 'building_acceptance', 'cold_start' => true, 'warmup_min' => 1],
            'warm-up-in-cold-start', true];
        yield 'a cold start' => [
            ['profile' => 'building_acceptance', 'cold_start' => true, 'warmup_min' => 0], 'warm-up-in-cold-start', false,
        ];
        yield 'a warm-up' => [['warmup_min' => 1], 'warm-up-in-cold-start', false];
        yield 'acceptance from warm' => [['profile' => 'building_acceptance'], 'cold-start-missing', true];
        yield 'acceptance from cold' => [['profile' => 'building_acceptance', 'cold_start' => true], 'cold-start-missing', false];
        yield 'half a year from warm' => [[], 'cold-start-missing', false];
        yield 'the annual one, met by the months' => [
            ['profile' => 'annual_supplemental', 'monthly_met' => true], 'annual-not-needed', true,
        ];
        yield 'the annual one, not met' => [['profile' => 'annual_supplemental'], 'annual-not-needed', false];
        yield 'another one, met' => [['monthly_met' => true], 'annual-not-needed', false];
        yield 'a bank that stays on' => [[], 'bank-not-dropped', true];
        yield 'a bank that drops' => [['auto_drop' => true], 'bank-not-dropped', false];
        yield 'no bank that could drop' => [$custom(20, 12), 'bank-not-dropped', false];
        yield 'a bank has no reactance' => [[], 'unity-pf', true];
        yield 'a building has' => [$custom(20, 12), 'unity-pf', false];
        yield 'a building that is enough' => [$custom(20, 12), 'building-enough', true];
        yield 'one that is not' => [$custom(40, 12), 'building-enough', false];
        yield 'what is not there' => [$custom(40, 12), 'bank-too-small', true];
        yield 'a building that is on the bus and not counted' => [
            ['use_building' => false, 'building_kw' => 5], 'building-not-counted', true,
        ];
        yield 'a building of nothing' => [['use_building' => false, 'building_kw' => 0], 'building-not-counted', false];
        yield 'a bank at the generator' => [
            ['use_building' => false, 'building_kw' => 5, 'bank_side' => 'generator'], 'building-not-counted', false,
        ];
    }

    #[Test]
    public function a_figure_is_plausible_between_these(): void
    {
        self::assertSame([
            'v' => [60.0, 156.0], 'a' => [0.0, 250.0], 'hz' => [48.0, 66.0], 'oil_kpa' => [50.0, 900.0], 'coolant_c' => [-20.0, 125.0],
            'exhaust_c' => [20.0, 750.0], 'battery_v' => [10.0, 32.0],
        ], array_map(
            static fn(array $band): array => array_map(static fn(float $one): float => round($one, 9), $band),
            PlausibleReading::bands(120.0, 60.0, 250.0),
        ));
    }

    #[Test]
    public function chance_orders_as_steadily_as_all_orders_say(): void
    {
        for ($n = 2; $n <= 6; $n++) {
            $orders = self::orders(range(1, $n));
            $found = array_map(self::s(...), $orders);
            foreach (array_unique($found) as $s) {
                $as = count(array_filter($found, static fn(int $one): bool => abs($one) >= abs($s)));
                self::assertEqualsWithDelta($as / count($orders), MannKendall::p($n, $s), 1e-12, "$n values, S $s");
            }
        }
    }

    /**
     * @param list<int> $values
     *
     * @return non-empty-list<list<int>>
     */
    private static function orders(array $values): array
    {
        if (count($values) < 2) {
            return [$values];
        }
        $all = [];
        foreach ($values as $i => $value) {
            $others = $values;
            unset($others[$i]);
            foreach (self::orders(array_values($others)) as $order) {
                $all[] = [$value, ...$order];
            }
        }

        return $all;
    }

    /** @param list<int> $order */
    private static function s(array $order): int
    {
        $s = 0;
        foreach ($order as $i => $one) {
            foreach (array_slice($order, $i + 1) as $later) {
                $s += $later <=> $one;
            }
        }

        return $s;
    }

    /** @param list<float> $volts from the step on, a sample every 10 ms */
    #[Test, DataProvider('overshoots')]
    public function volts_that_swing_past_the_nominal_are_told_above_ten_percent(array $volts, bool $isSaid): void
    {
        $ids = array_column($this->judged($volts, [new GivenStep(500.0, 0.0, 10.0)])['findings'], 'id');
        self::assertSame($isSaid, in_array('overshoot', $ids, true));
    }

    /** @return iterable<string, array{list<float>, bool}> */
    public static function overshoots(): iterable
    {
        yield 'ten percent above' => [[100.0, 132.0], false];
        yield 'a little more' => [[100.0, 132.2], true];
        yield 'none' => [[100.0, 119.0], false];
    }

    #[Test]
    public function a_step_without_a_sample_after_it_is_told_as_not_measured(): void
    {
        $judged = $this->judged([118.0], [new GivenStep(500.0, 0.0, 10.0), new GivenStep(9000.0, 10.0, 5.0), new GivenStep(9500.0)]);
        self::assertSame([true, false, false], array_map(static fn(MeasuredStep $one): bool => $one->isMeasured(), $judged['steps']));
        [, $second, $third] = $judged['steps'];
        self::assertSame([9000.0, 'decrease', 10.0, 5.0, 'none'], [
            $second->tMs, $second->kind, $second->fromKw, $second->toKw, $second->classMet,
        ]);
        self::assertNull($third->kind);
        self::assertContains('step-cut', array_column($judged['findings'], 'id'));
    }

    /**
     * @param list<float>     $volts
     * @param list<GivenStep> $given
     *
     * @return array{steps: list<MeasuredStep>, findings: list<Finding>}
     */
    private function judged(array $volts, array $given): array
    {
        $count = 400;
        $v = array_fill(0, $count, 120.0);
        array_splice($v, 51, count($volts), $volts);
        $wave = new Waveform(
            array_map(static fn(int $i): float => 10.0 * $i, range(0, $count - 1)),
            [$v],
            array_fill(0, $count, 60.0),
            null,
        );
        $result = (new StepTransients())->judge(new TransientInput(
            $wave,
            $given,
            null,
            sideMs: 100,
            nominalV: 120,
            nominalHz: 60,
            isDiesel: true,
            class: GovernorClass::G2,
            preMs: 200,
            windowMs: 3000,
            settleMs: 500,
            stayMs: 100,
        ));

        return ['steps' => $result->steps, 'findings' => $result->findings];
    }
}
