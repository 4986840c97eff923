<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Panel;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Where the neutral of a changeover meets the earth: currents by hand, the least change, and each finding on its limit. */
final class NeutralEarthTest extends TestCase
{
    use Answers;

    private const TRANSFORMER = ['id' => 't', 'kind' => 'transformer', 'earthed' => true];
    private const GENERATOR = ['id' => 'g', 'kind' => 'generator', 'earthed' => true];

    #[Test]
    public function two_earthed_stars_on_three_poles_share_the_neutral_current_by_their_resistances(): void
    {
        $answer = self::answer('neutral_earth', self::input(sources: [
            ['neutral_ohm' => 0.01, 'earth_ohm' => 0.02] + self::TRANSFORMER,
            ['neutral_ohm' => 0.03, 'earth_ohm' => 0.04] + self::GENERATOR,
        ]));
        $other = 0.03 + 0.04 + 0.02; // through the other's neutral, its earth, and ours
        $own = 0.01;
        $first = $answer['positions'][0];
        self::assertSame(['I', 't', 2, 'several'], [$first['position'], $first['active'], $first['earth_points'], $first['verdict']]);
        self::assertEqualsWithDelta(50 * $other / ($own + $other), $first['neutral_a'], 1e-9);
        self::assertEqualsWithDelta(50 * $own / ($own + $other), $first['stray_a'], 1e-9);
        self::assertEqualsWithDelta($first['stray_a'], $first['other_neutral_a'], 1e-9);
        // a fault to earth comes back by our earth, or by the other's earth and both neutrals
        $back = 1 / (1 / 0.02 + 1 / (0.04 + 0.03 + 0.01));
        self::assertEqualsWithDelta($back, $first['return_ohm'], 1e-12);
        $fault = 230 / (0.05 + 0.1 + $back);
        self::assertEqualsWithDelta($fault, $first['fault_a'], 1e-6);
        $unseen = $fault * 0.02 / (0.02 + 0.08);
        self::assertEqualsWithDelta($fault - $unseen, $first['sensed_a'], 1e-6);
        self::assertEqualsWithDelta(1 - 0.2, $first['sensed_fraction'], 1e-9);
        self::assertEqualsWithDelta($unseen, $first['other_sensed_a'], 1e-6);
        self::assertSame(['II', 'g'], [$answer['positions'][1]['position'], $answer['positions'][1]['active']]);
    }

    #[Test]
    public function four_poles_keep_the_currents_apart_but_while_the_neutrals_overlap(): void
    {
        $answer = self::answer('neutral_earth', self::input(4));
        self::assertSame(['I', 'overlap', 'II'], array_column($answer['positions'], 'position'));
        foreach ([0, 2] as $place) {
            $one = $answer['positions'][$place];
            self::assertSame([1, 'ok'], [$one['earth_points'], $one['verdict']]);
            self::assertEqualsWithDelta([50.0, 0.0, 0.0, 1.0, 0.0], [
                $one['neutral_a'], $one['stray_a'], $one['other_neutral_a'], $one['sensed_fraction'], $one['other_sensed_a'],
            ], 1e-9);
            self::assertEqualsWithDelta(0.02, $one['return_ohm'], 1e-12, 'its own earth');
        }
        self::assertSame([2, 'several'], [$answer['positions'][1]['earth_points'], $answer['positions'][1]['verdict']]);
        self::assertGreaterThan(1, $answer['positions'][1]['stray_a']);
        $simultaneous = self::answer('neutral_earth', ['neutral_sequence' => 'simultaneous'] + self::input(4));
        self::assertSame(['I', 'II'], array_column($simultaneous['positions'], 'position'));
    }

    #[Test]
    public function without_any_earth_nothing_comes_back_and_nothing_trips(): void
    {
        $answer = self::answer('neutral_earth', self::input(sources: [
            ['earthed' => false] + self::TRANSFORMER, ['earthed' => false] + self::GENERATOR,
        ]));
        $one = $answer['positions'][0];
        self::assertSame([0, 'none', null, null, null], [
            $one['earth_points'], $one['verdict'], $one['return_ohm'], $one['sensed_a'], $one['sensed_fraction'],
        ]);
        self::assertEqualsWithDelta([0.0, 50.0], [$one['fault_a'], $one['neutral_a']], 1e-9);
        self::assertContains('no-earth-return', array_column($answer['findings'], 'id'));
        self::assertSame([['action' => 'add-panel-bond', 'at' => null]], $answer['actions']);
    }

    #[Test]
    public function swapped_neutrals_leave_the_load_without_its_own(): void
    {
        $answer = self::answer('neutral_earth', ['neutrals_swapped' => true, 'neutral_sequence' => 'simultaneous'] + self::input(4));
        $one = $answer['positions'][0];
        self::assertEqualsWithDelta(0, $one['neutral_a'], 1e-9);
        self::assertEqualsWithDelta([50.0, 50.0], [$one['stray_a'], $one['other_neutral_a']], 1e-9, 'all of it by the earths');
        self::assertSame('swap-neutrals-back', $answer['actions'][0]['action']);
        self::assertContains('neutrals-swapped', array_column($answer['findings'], 'id'));
    }

    /**
     * @param list<bool>                               $earthed first, second
     * @param list<string>                             $kinds   first, second
     * @param list<array{action: string, at: ?string}> $actions
     */
    #[Test, DataProvider('changes')]
    public function the_least_change_is_proposed(int $poles, array $earthed, array $kinds, bool $isPanelBonded, array $actions): void
    {
        $sources = array_map(static fn(int $i): array => [
            'id' => ['a', 'b'][$i], 'kind' => $kinds[$i], 'earthed' => $earthed[$i],
        ], [0, 1]);
        $input = ['panel_bond' => $isPanelBonded] + self::input($poles, $sources);
        self::assertSame($actions, self::answer('neutral_earth', $input)['actions']);
        // and once it is made, every position is sound
        foreach ($actions as ['action' => $action, 'at' => $at]) {
            foreach ($input['sources'] as $i => $source) {
                $input['sources'][$i]['earthed'] = $source['id'] !== $at ? $source['earthed'] : $action === 'add-source-earth';
            }
            $input['panel_bond'] = ['add-panel-bond' => true, 'remove-panel-bond' => false][$action] ?? $input['panel_bond'];
        }
        $after = self::answer('neutral_earth', $input);
        self::assertSame([], $after['actions']);
        foreach ($after['positions'] as $position) {
            $joins = $position['position'] === 'overlap' && $input['sources'][0]['earthed'];
            self::assertSame($joins ? 'several' : 'ok', $position['verdict']);
        }
    }

    /** @return iterable<string, array{int, list<bool>, list<string>, bool, list<array{action: string, at: ?string}>}> */
    public static function changes(): iterable
    {
        $do = static fn(string $action, ?string $at = null): array => ['action' => $action, 'at' => $at];
        $pair = ['transformer', 'generator'];
        $off = static fn(string $at): array => $do('remove-source-earth', $at);
        $on = static fn(string $at): array => $do('add-source-earth', $at);
        yield 'three poles, none' => [3, [false, false], $pair, false, [$do('add-panel-bond')]];
        yield 'three poles, the panel alone' => [3, [false, false], $pair, true, []];
        yield 'three poles, one alone' => [3, [false, true], $pair, false, []];
        yield 'three poles, both: the transformer stays' => [3, [true, true], $pair, false, [$off('b')]];
        yield 'three poles, both, the transformer second' => [3, [true, true], ['generator', 'transformer'], false, [$off('a')]];
        yield 'three poles, two generators: the first stays' => [3, [true, true], ['generator', 'generator'], false, [$off('b')]];
        yield 'three poles, the panel beside one' => [3, [true, false], $pair, true, [$off('a')]];
        yield 'three poles, the panel beside both' => [3, [true, true], $pair, true, [$off('a'), $off('b')]];
        yield 'four poles, each its own' => [4, [true, true], $pair, false, []];
        yield 'four poles, the panel alone' => [4, [false, false], $pair, true, []];
        yield 'four poles, none' => [4, [false, false], $pair, false, [$on('a'), $on('b')]];
        yield 'four poles, one' => [4, [true, false], $pair, false, [$on('b')]];
        yield 'four poles, the panel beside one' => [4, [true, false], $pair, true, [$do('remove-panel-bond'), $on('b')]];
        yield 'four poles, the panel beside both' => [4, [true, true], $pair, true, [$do('remove-panel-bond')]];
    }

    /** @param array<string, mixed> $change */
    #[Test, DataProvider('findings')]
    public function a_finding_stands_where_its_cause_does(string $id, array $change, ?string $severity, ?string $at = null): void
    {
        $found = array_values(array_filter(
            self::answer('neutral_earth', $change + self::input())['findings'],
            static fn(array $one): bool => $one['id'] === $id && ($at === null || ($one['at'] ?? null) === $at),
        ));
        self::assertSame($severity, $found[0]['severity'] ?? null);
    }

    /** @return iterable<string, array{string, array<string, mixed>, ?string, 3?: string}> */
    public static function findings(): iterable
    {
        $four = ['poles' => 4, 'neutral_sequence' => 'simultaneous'];
        $over = ['poles' => 4];
        $with = static fn(array $first, array $second = []): array => [
            'sources' => [$first + self::TRANSFORMER, $second + self::GENERATOR],
        ];
        $gfp = static fn(float $pickupA, int $delayMs = 0): array => ['gfp' => ['pickup_a' => $pickupA, 'delay_ms' => $delayMs]];
        yield 'several at I' => ['circulating-neutral-current', [], 'stop', 'I'];
        yield 'several at II' => ['circulating-neutral-current', [], 'stop', 'II'];
        yield 'one each' => ['circulating-neutral-current', $four, null];
        yield 'the overlap joins' => ['neutral-overlap-joins', $over, 'note'];
        yield 'nothing overlaps' => ['neutral-overlap-joins', $four, null];
        // fractions: own earth 0.02, other way 0.02 + 0.02 + its neutral; sensed is 1 − 0.02 / (sum)
        yield 'nine tenths are seen' => [
            'gfp-desensitised', $with($gfp(5000) + ['neutral_ohm' => 0.07, 'earth_ohm' => 0.02], ['neutral_ohm' => 0.09]), null, 't',
        ];
        yield 'less is seen' => [
            'gfp-desensitised', $with($gfp(5000) + ['neutral_ohm' => 0.069, 'earth_ohm' => 0.02], ['neutral_ohm' => 0.09]), 'warn', 't',
        ];
        yield 'without a device nothing is blunted' => ['gfp-desensitised', [], null];
        yield 'a stray that reaches the pick-up' => [
            'gfp-nuisance', ['load_neutral_a' => 40] + $with($gfp(10)), 'warn', 't', // a quarter of it goes the other way
        ];
        yield 'a stray just below it' => ['gfp-nuisance', ['load_neutral_a' => 39.9] + $with($gfp(10)), null, 't'];
        yield 'the other device sees it too' => ['gfp-nuisance', ['load_neutral_a' => 40] + $with([], $gfp(10)), 'warn', 'g'];
        yield 'an overlap as long as the delay' => [
            'overlap-longer-than-gfp', ['load_neutral_a' => 40, 'overlap_ms' => 50] + $over + $with($gfp(10, 50)), 'warn', 't',
        ];
        yield 'a shorter one' => [
            'overlap-longer-than-gfp', ['load_neutral_a' => 40, 'overlap_ms' => 49] + $over + $with($gfp(10, 50)), null, 't',
        ];
        yield 'an overlap of a small stray' => [
            'overlap-longer-than-gfp', ['load_neutral_a' => 39.9, 'overlap_ms' => 50] + $over + $with($gfp(10, 50)), null, 't',
        ];
        yield 'a set on three poles with its bond, American' => ['bond-on-nonseparate', ['wording' => 'nec'], 'stop', 'g'];
        yield 'elsewhere' => ['bond-on-nonseparate', ['wording' => 'iec_tn_s'], null];
        yield 'a set on four poles' => ['bond-on-nonseparate', ['wording' => 'nec'] + $four, null];
        yield 'a set on three poles without' => ['bond-on-nonseparate', ['wording' => 'nec'] + $with([], ['earthed' => false]), null];
        yield 'a separate set without a bond' => [
            'separately-derived-unbonded', ['wording' => 'nec'] + $four + $with([], ['earthed' => false]), 'stop', 'g',
        ];
        yield 'a separate set with one' => ['separately-derived-unbonded', ['wording' => 'nec'] + $four, null];
        yield 'a separate set by the panel' => [
            'separately-derived-unbonded', ['wording' => 'nec', 'panel_bond' => true] + $four + $with([], ['earthed' => false]), null,
        ];
        yield 'swapped on four poles' => ['neutrals-swapped', ['neutrals_swapped' => true] + $four, 'stop'];
        yield 'swapped on three poles' => ['neutrals-swapped-joined', ['neutrals_swapped' => true], 'note'];
        yield 'swapped on three poles is no stop' => ['neutrals-swapped', ['neutrals_swapped' => true], null];
        $late = ['poles' => 4, 'neutral_sequence' => 'late'];
        yield 'late' => ['neutral-late', $late, 'stop'];
        yield 'late with an uneven load' => ['open-neutral-overvoltage', ['loads_w' => [100, 1000, 1000]] + $late, 'stop'];
        yield 'late with an even one' => ['open-neutral-overvoltage', ['loads_w' => [1000, 1000, 1000]] + $late, null];
        yield 'uneven and not late' => ['open-neutral-overvoltage', ['loads_w' => [100, 1000, 1000]] + $four, null];
        yield 'simultaneous' => ['neutral-simultaneous', $four, 'note'];
        yield 'overlapping' => ['neutral-simultaneous', $over, null];
        yield 'three poles on TT' => ['three-pole-on-tt', ['wording' => 'iec_tt'], 'warn'];
        yield 'four poles on TT' => ['three-pole-on-tt', ['wording' => 'iec_tt'] + $four, null];
        yield 'a PEN before four poles' => ['pen-not-switched', ['wording' => 'iec_tn_c_s'] + $four, 'note'];
        yield 'a PEN before three' => ['pen-not-switched', ['wording' => 'iec_tn_c_s'], null];
        yield 'the code' => ['confirm-code', [], 'note'];
    }

    #[Test]
    public function a_device_is_blind_where_its_part_of_the_fault_does_not_reach_it(): void
    {
        $input = self::input(sources: [
            ['neutral_ohm' => 0.01, 'earth_ohm' => 0.2, 'gfp' => ['pickup_a' => 1.0]] + self::TRANSFORMER,
            ['neutral_ohm' => 0.01, 'earth_ohm' => 0.01] + self::GENERATOR,
        ]);
        $first = self::answer('neutral_earth', $input)['positions'][0];
        $seen = $first['sensed_a'];
        foreach ([[$seen * 0.999, null], [$seen * 1.001, 'stop'], [$first['fault_a'] * 1.001, null]] as [$a, $is]) {
            $input['sources'][0]['gfp']['pickup_a'] = $a;
            $found = array_column(self::answer('neutral_earth', $input)['findings'], 'severity', 'id');
            self::assertSame($is, $found['gfp-blind'] ?? null, (string) $a);
            self::assertSame('warn', $found['gfp-desensitised']);
        }
    }

    #[Test]
    public function a_neutral_that_opens_under_load_shifts_the_star_point(): void
    {
        $volts = self::answer('neutral_earth', ['loads_w' => [100, 1000, 1000]] + self::input())['open_neutral_v'];
        $shift = 230 * (1000 - 100) / 2100; // the weak phase rises by it
        self::assertEqualsWithDelta(230 + $shift, $volts[0], 1e-9);
        $rest = sqrt((230 * 0.5 - $shift) ** 2 + (230 * sqrt(3) / 2) ** 2);
        self::assertEqualsWithDelta([$rest, $rest], [$volts[1], $volts[2]], 1e-9);
        self::assertNull(self::answer('neutral_earth', self::input())['open_neutral_v']);
    }

    #[Test]
    public function what_is_separate_and_which_rules_hold_goes_by_the_poles(): void
    {
        $three = self::answer('neutral_earth', self::input());
        $four = self::answer('neutral_earth', self::input(4));
        self::assertSame([['t' => null, 'g' => false], ['t' => null, 'g' => true]], [
            (array) $three['separately_derived'], (array) $four['separately_derived'],
        ]);
        self::assertSame(['neutral-bolted-through', 'one-earth-only', 'no-lone-fuse'], $three['neutral_rules']);
        self::assertSame(
            ['neutral-makes-first', 'neutral-breaks-last', 'neutral-rated-as-phases', 'no-lone-fuse'],
            $four['neutral_rules'],
        );
    }

    /**
     * @param null|list<array<string, mixed>> $sources
     *
     * @return array<string, mixed>
     */
    private static function input(int $poles = 3, ?array $sources = null): array
    {
        return [
            'poles' => $poles, 'wording' => 'iec_tn_s', 'sources' => $sources ?? [self::TRANSFORMER, self::GENERATOR],
            'load_neutral_a' => 50,
        ];
    }
}
