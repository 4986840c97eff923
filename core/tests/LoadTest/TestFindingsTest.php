<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What an evaluation finds in the readings, each limit on its edge and just beyond. Rule: docs/rules.md#load-test-evaluate. */
final class TestFindingsTest extends TestCase
{
    use Answers;

    private const STEADY = ['v_v' => [120.0, 120.0], 'a_a' => [50.0, 50.0], 'hz' => 60.0, 'kw' => 12];
    private const FIGURES = ['oil_kpa' => 400, 'coolant_c' => 85, 'exhaust_c' => 400, 'battery_v' => 13.9];

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> finding; what stands on the edge, what beyond */
    public static function limits(): iterable
    {
        yield 'coolant too hot' => ['coolant-hot', ['coolant_c' => 105], ['coolant_c' => 105.1]];
        yield 'coolant cold after a quarter of an hour' => ['coolant-cold', ['coolant_c' => 70], ['coolant_c' => 69.9]];
        yield 'oil too low' => ['oil-low', ['oil_kpa' => 140], ['oil_kpa' => 139.9]];
        yield 'battery not charged' => ['battery-not-charging', ['battery_v' => 1.08 * 12], ['battery_v' => 1.08 * 12 - 0.01]];
    }

    /**
     * @param array<string, mixed> $edge
     * @param array<string, mixed> $beyond
     */
    #[Test, DataProvider('limits')]
    public function a_figure_stands_on_its_limit_and_is_found_beyond(string $id, array $edge, array $beyond): void
    {
        self::assertNotContains($id, self::foundIn(self::readings(last: $edge)));
        self::assertContains($id, self::foundIn(self::readings(last: $beyond)));
    }

    #[Test]
    public function an_engine_may_be_cold_for_a_quarter_of_an_hour(): void
    {
        $cold = ['coolant_c' => 40] + self::FIGURES;
        self::assertNotContains('coolant-cold', self::foundIn([self::at(0, $cold), self::at(899, $cold)]));
        self::assertContains('coolant-cold', self::foundIn([self::at(0, $cold), self::at(900, $cold)]));
        self::assertNotContains('coolant-cold', self::foundIn([self::at(0, []), self::at(900, [])]), 'nobody read it');
        $lastUnread = [self::at(5, $cold), self::at(905, ['coolant_c' => null])];
        self::assertContains('coolant-cold', self::foundIn($lastUnread), 'the last one read counts');
    }

    /** @return iterable<string, array{float, float, bool}> oil when warm, oil at the end, found */
    public static function oils(): iterable
    {
        yield 'four fifths' => [400, 320, false];
        yield 'below four fifths' => [400, 319, true];
    }

    #[Test, DataProvider('oils')]
    public function oil_that_falls_is_held_against_what_it_was_when_warm(float $warm, float $last, bool $isFound): void
    {
        $readings = [
            self::at(0, ['oil_kpa' => 600] + self::FIGURES),
            self::at(599, ['oil_kpa' => 600] + self::FIGURES),
            self::at(600, ['oil_kpa' => $warm] + self::FIGURES),
            self::at(1200, ['oil_kpa' => $last] + self::FIGURES),
        ];
        self::assertSame($isFound, in_array('oil-falling', self::foundIn($readings), true));
        $early = [self::at(0, ['oil_kpa' => 600]), self::at(599, ['oil_kpa' => 200])];
        self::assertNotContains('oil-falling', self::foundIn($early), 'cold oil is thick: nothing is judged before ten minutes');
    }

    /** @return iterable<string, array{list<float>, ?string}> volts of two legs, how bad */
    public static function unbalances(): iterable
    {
        yield '2 %' => [[122.4, 117.6], null];
        yield 'above 2 %' => [[122.5, 117.5], 'warn'];
        yield '5 %' => [[126.0, 114.0], 'warn'];
        yield 'above 5 %' => [[126.1, 113.9], 'stop'];
    }

    /** @param list<float> $volts */
    #[Test, DataProvider('unbalances')]
    public function legs_may_differ_a_little(array $volts, ?string $severity): void
    {
        self::assertSame($severity, self::severity('v-unbalance', self::readings(last: ['v_v' => $volts])));
    }

    /** @return iterable<string, array{float, ?string}> kW of a set of 20 kW, how bad */
    public static function loads(): iterable
    {
        yield 'its rating' => [20, null];
        yield 'above it' => [20.1, 'warn'];
        yield 'a twentieth more' => [21, 'warn'];
        yield 'more than that' => [21.1, 'stop'];
    }

    #[Test, DataProvider('loads')]
    public function a_set_carries_its_rating(float $kw, ?string $severity): void
    {
        self::assertSame($severity, self::severity('overload', self::readings(last: ['kw' => $kw])));
    }

    /** @return iterable<string, array{list<float>, ?string}> amperes of two legs on a set of 80 A, finding */
    public static function amperes(): iterable
    {
        yield 'at the rating' => [[80, 60], null];
        yield 'one above' => [[60, 80.1], 'leg-at-limit'];
        yield 'a twentieth above' => [[84, 60], 'leg-at-limit'];
        yield 'more than that' => [[84.1, 60], 'leg-overload'];
    }

    /** @param list<float> $amperes */
    #[Test, DataProvider('amperes')]
    public function a_leg_carries_its_rating(array $amperes, ?string $id): void
    {
        $readings = self::readings(last: ['a_a' => $amperes]);
        $found = array_intersect(['leg-at-limit', 'leg-overload'], self::foundIn($readings, ['rated_a' => 80]));
        self::assertSame($id === null ? [] : [$id], array_values($found));
        self::assertSame([], array_intersect(['leg-at-limit', 'leg-overload'], self::foundIn($readings)), 'a rating that nobody gave');
    }

    /** @return iterable<string, array{array<string, mixed>, string, bool}> */
    public static function drifts(): iterable
    {
        yield 'volts by 2 %' => [['v_v' => [122.4, 122.4]], 'drift-voltage', false];
        yield 'volts by more' => [['v_v' => [122.5, 122.5]], 'drift-voltage', true];
        yield 'volts down by more' => [['v_v' => [117.5, 117.5]], 'drift-voltage', true];
        yield 'hertz by 1 %' => [['hz' => 60.6], 'drift-frequency', false];
        yield 'hertz by more' => [['hz' => 60.7], 'drift-frequency', true];
        yield 'hertz down by more' => [['hz' => 59.3], 'drift-frequency', true];
    }

    /** @param array<string, mixed> $last */
    #[Test, DataProvider('drifts')]
    public function volts_and_hertz_stay_while_the_load_does(array $last, string $id, bool $isFound): void
    {
        self::assertSame($isFound, in_array($id, self::foundIn(self::readings(last: $last)), true));
    }

    /** @return iterable<string, array{array<string, float>, array<string, mixed>, bool}> last time, this time, worse */
    public static function comparisons(): iterable
    {
        $low = ['v_v' => [121.2, 121.2], 'kw' => 0, 'a_a' => [0, 0]]; // 1 % above 120 V
        yield 'regulation up by one point' => [['regulation_pct' => 0], $low, false];
        yield 'regulation up by more' => [['regulation_pct' => -0.1], $low, true];
        $droop = ['hz' => 60.6, 'kw' => 0, 'a_a' => [0, 0]];
        yield 'droop up by one point' => [['droop_pct' => 0], $droop, false];
        yield 'droop up by more' => [['droop_pct' => -0.1], $droop, true];
        yield 'coolant up by five' => [['coolant_c' => 80], [], false];
        yield 'coolant up by more' => [['coolant_c' => 79.9], [], true];
        yield 'oil down by a tenth' => [['oil_kpa' => 400 / 0.9], [], false];
        yield 'oil down by more' => [['oil_kpa' => 400 / 0.9 + 1], [], true];
        yield 'exhaust up by a tenth' => [['exhaust_c' => 400 / 1.1], [], false];
        yield 'exhaust up by more' => [['exhaust_c' => 400 / 1.1 - 1], [], true];
        yield 'the same' => [['regulation_pct' => 0, 'droop_pct' => 0, 'coolant_c' => 85, 'oil_kpa' => 400, 'exhaust_c' => 400], [], false];
    }

    /**
     * @param array<string, float> $previous
     * @param array<string, mixed> $first
     */
    #[Test, DataProvider('comparisons')]
    public function it_may_be_a_little_worse_than_last_time(array $previous, array $first, bool $isWorse): void
    {
        $found = self::foundIn(self::readings(first: $first), ['previous' => $previous]);
        self::assertSame($isWorse, in_array('worse-than-last', $found, true));
    }

    #[Test]
    public function a_diesel_at_low_load_for_half_an_hour_wets_its_stack(): void
    {
        $low = ['kw' => 5, 'exhaust_c' => 250] + self::FIGURES;
        $of = static fn(array $one, float $lastS): array => [self::at(0, $one), self::at($lastS / 2, $one), self::at($lastS, $one)];
        $diesel = ['fuel' => 'diesel'];
        self::assertNotContains('wet-stacking-risk', self::foundIn($of($low, 1799), $diesel));
        self::assertContains('wet-stacking-risk', self::foundIn($of($low, 1800), $diesel));
        self::assertNotContains('wet-stacking-risk', self::foundIn($of($low, 1800)), 'gas does not');
        self::assertNotContains('wet-stacking-risk', self::foundIn($of(['kw' => 6] + $low, 1800), $diesel), 'nor 30 % of its rating');
        self::assertNotContains('wet-stacking-risk', self::foundIn($of(['exhaust_c' => 315] + $low, 1800), $diesel), 'nor a hot exhaust');
        self::assertContains('wet-stacking-risk', self::foundIn($of(['exhaust_c' => 314.9] + $low, 1800), $diesel));
        $asked = $diesel + ['min_exhaust_c' => 240];
        self::assertNotContains('wet-stacking-risk', self::foundIn($of($low, 1800), $asked), 'hot enough for its maker');
    }

    #[Test]
    public function between_two_readings_nothing_is_known_for_longer_than_the_gap_allows(): void
    {
        self::assertNotContains('reading-gap', self::foundIn([self::at(0, []), self::at(1200, [])]));
        self::assertContains('reading-gap', self::foundIn([self::at(0, []), self::at(1201, [])]));
        self::assertNotContains('reading-gap', self::foundIn([self::at(0, []), self::at(1201, [])], ['max_gap_s' => 1300]));
    }

    /**
     * @param array<string, mixed> $first
     * @param array<string, mixed> $last
     *
     * @return list<array<string, mixed>> half an hour, every ten minutes
     */
    private static function readings(array $first = [], array $last = []): array
    {
        $usual = self::FIGURES;

        return [self::at(0, $first + $usual), self::at(600, $usual), self::at(1200, $usual), self::at(1800, $last + $usual)];
    }

    /**
     * @param array<string, mixed> $figures
     *
     * @return array<string, mixed>
     */
    private static function at(float $tS, array $figures): array
    {
        return ['t_s' => $tS] + $figures + self::STEADY;
    }

    /**
     * @param list<array<string, mixed>> $readings
     * @param array<string, mixed>       $more
     *
     * @return list<string>
     */
    private static function foundIn(array $readings, array $more = []): array
    {
        return self::found('load_test_evaluate', self::test($readings, $more));
    }

    /** @param list<array<string, mixed>> $readings */
    private static function severity(string $id, array $readings): ?string
    {
        $findings = (array) self::answer('load_test_evaluate', self::test($readings, []))['findings'];

        return array_column($findings, 'severity', 'id')[$id] ?? null;
    }

    /**
     * @param list<array<string, mixed>> $readings
     * @param array<string, mixed>       $more
     *
     * @return array<string, mixed>
     */
    private static function test(array $readings, array $more): array
    {
        return $more + [
            'profile' => 'custom', 'steps' => [['level_pct' => 60, 'minutes' => 30]], 'fuel' => 'lp', 'nameplate_kw' => 20,
            'readings' => $readings,
        ];
    }
}
