<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\GivenStep;
use Escapement\Core\LoadTest\StepDetection;
use Escapement\Core\LoadTest\TestMark;
use Escapement\Core\LoadTest\Waveform;
use Escapement\Core\Wire\LoadTest\StepTransientsReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up recordings of power: the steps, and what is measured of each, worked out here once more sample by sample. */
final class StepOracleTest extends TestCase
{
    private const SIDE_MS = 200.0;
    private const STEP_KW = 1.0;

    #[Test, DataProvider('waves')]
    public function the_steps_of_a_recording_are_where_its_power_changes_most(int $seed): void
    {
        [$t, $kw] = self::wave($seed);
        $found = (new StepDetection(new Waveform($t, [$kw], $kw, $kw), $kw, self::STEP_KW, self::SIDE_MS))->steps();
        self::assertSame(self::steps($t, $kw), array_map(static fn(GivenStep $step): float => $step->tMs, $found));
    }

    #[Test, DataProvider('waves')]
    public function what_is_measured_of_a_step_is_what_its_samples_say(int $seed): void
    {
        [$t, $kw] = self::wave($seed);
        $random = new Randomizer(new Mt19937($seed));
        $v = array_map(static fn(float $one): float => 120 - $one + $random->getInt(-5, 5) / 10, $kw);
        $other = array_map(static fn(float $one): float => 120 + $random->getInt(-5, 5) / 10, $kw);
        $hz = array_map(static fn(float $one): float => 60 - $one / 10 + $random->getInt(-5, 5) / 100, $kw);
        $answer = (new StepTransientsReader())->answer(Node::fromArray([
            't_ms' => $t, 'v_v' => [$v, $other], 'hz' => $hz, 'kw' => $kw,
            'detect' => ['step_kw' => self::STEP_KW, 'side_ms' => self::SIDE_MS],
            'nominal_v' => 120, 'nominal_hz' => 60, 'pre_ms' => 300, 'window_ms' => 800, 'settle_ms' => 250,
        ]));
        $at = self::steps($t, $kw);
        self::assertCount(count($at), $answer['steps']);
        $isCut = array_filter(
            array_keys($at),
            static fn(int $n): bool => ($at[$n + 1] ?? INF) <= $at[$n] + 800 || end($t) < $at[$n] + 800,
        );
        $isShort = array_filter($at, static fn(float $one): bool => $one - $t[0] < 300);
        self::assertSame([$isCut !== [], $isShort !== []], array_map(
            static fn(string $id): bool => in_array($id, array_column($answer['findings'], 'id'), true),
            ['step-cut', 'before-short'],
        ));
        foreach ($answer['steps'] as $n => $step) {
            $before = self::within($t, max($at[$n] - 300, $at[$n - 1] ?? -INF), $at[$n], false);
            $window = self::within($t, $at[$n], min($at[$n] + 800, ($at[$n + 1] ?? INF) - 1e-6), true);
            $tail = array_values(array_filter($window, static fn(int $i): bool => $t[$i] >= $t[end($window)] - 250));
            $mean = static fn(array $of, array $places): float => array_sum(array_intersect_key($of, array_flip($places))) / count($places);
            $isUp = $mean($kw, $tail) >= $mean($kw, $before);
            $worst = array_map(static fn(int $i): float => $isUp ? min($v[$i], $other[$i]) : max($v[$i], $other[$i]), $window);
            $hzs = array_map(static fn(int $i): float => $hz[$i], $window);
            self::assertSame($isUp ? 'increase' : 'decrease', $step['kind']);
            self::assertEqualsWithDelta([
                $mean($kw, $before), $mean($kw, $tail), $isUp ? min($worst) : max($worst),
                $mean($hz, $before), $isUp ? min($hzs) : max($hzs), $mean($hz, $tail), ($mean($v, $before) + $mean($other, $before)) / 2,
            ], [
                $step['from_kw'], $step['to_kw'], $step['v_extreme_v'],
                $step['hz_before_hz'], $step['hz_extreme_hz'], $step['hz_settle_hz'],
                $step['v_before_v'],
            ], 1e-9, "step $n");
            $first = array_search($isUp ? min($worst) : max($worst), $worst, true);
            self::assertEqualsWithDelta(($t[$window[$first]] - $at[$n]) / 1000, $step['v_extreme_s'], 1e-9);
        }
    }

    /** @return iterable<string, array{int}> */
    public static function waves(): iterable
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            yield "wave $seed" => [$seed];
        }
    }

    #[Test]
    public function nobody_planned_that_the_utility_fails(): void
    {
        $hard = array_filter(TestMark::cases(), static fn(TestMark $mark): bool => $mark->isHard());
        self::assertSame(['UtilityFailed'], array_column($hard, 'name'));
    }

    #[Test]
    public function a_step_has_a_level_and_nothing_else_has(): void
    {
        $with = array_filter(TestMark::cases(), static fn(TestMark $mark): bool => $mark->hasLevel());
        self::assertSame(['StepUp', 'StepDown'], array_column($with, 'name'));
    }

    /** @return array{list<float>, list<float>} milliseconds, kilowatts */
    private static function wave(int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $t = $kw = [];
        $now = 0;
        $level = 0.0;
        for ($i = 0; $i < 90; $i++) {
            $t[] = (float) $now;
            $now += $random->getInt(0, 9) === 0 ? 30 : 50;
            $level = $random->getInt(0, 11) === 0 ? $random->getInt(0, 16) / 2 : $level;
            $kw[] = $level + $random->getInt(0, 2) / 20;
        }

        return [$t, $kw];
    }

    /**
     * @param list<float> $t
     * @param list<float> $kw
     *
     * @return list<float>
     */
    private static function steps(array $t, array $kw): array
    {
        $groups = [];
        $last = null;
        foreach ($t as $i => $at) {
            $before = self::within($t, $at - self::SIDE_MS, $at, false);
            $after = self::within($t, $at, $at + self::SIDE_MS, true);
            if ($at - $t[0] < self::SIDE_MS || end($t) - $at < self::SIDE_MS || $before === []) {
                continue;
            }
            $mean = static fn(array $places): float => array_sum(array_map(static fn(int $j): float => $kw[$j], $places)) / count($places);
            $change = $mean($after) - $mean($before);
            if (abs($change) <= self::STEP_KW + 1e-6) {
                continue;
            }
            if ($last === null || ($change > 0) !== ($last[1] > 0) || $at - $last[0] > self::SIDE_MS) {
                $groups[] = [];
            }
            $groups[count($groups) - 1][] = [$at, abs($change)];
            $last = [$at, $change];
        }

        return array_map(static function (array $group): float {
            $most = max(array_column($group, 1));

            return array_values(array_filter($group, static fn(array $one): bool => $one[1] > $most - 1e-7))[0][0];
        }, $groups);
    }

    /**
     * @param list<float> $t
     *
     * @return list<int> places from a moment on, to before another or with it
     */
    private static function within(array $t, float $from, float $to, bool $withEnd): array
    {
        return array_values(array_filter(
            array_keys($t),
            static fn(int $i): bool => $t[$i] >= $from && ($withEnd ? $t[$i] <= $to : $t[$i] < $to),
        ));
    }
}
