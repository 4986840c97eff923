<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Panel;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Which ways to move, against all that could be done; and each limit on its edge. Rule: docs/rules.md#phase-balance. */
final class PhaseBalanceTest extends TestCase
{
    use Answers;

    private const SINGLE = ['L1', 'L2', 'L3'];
    private const DOUBLE = ['L1L2', 'L2L3', 'L3L1'];
    private const LEGS = ['L1' => [0], 'L2' => [1], 'L3' => [2], 'L1L2' => [0, 1], 'L2L3' => [1, 2], 'L3L1' => [2, 0], '3P' => [0, 1, 2]];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 40) as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[Test, DataProvider('seeds')]
    public function nothing_is_better_than_the_optimum_and_nothing_does_with_fewer_moves(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $circuits = [];
        for ($i = 0; $i < $random->getInt(1, 7); $i++) {
            $connect = [...self::SINGLE, ...self::SINGLE, ...self::DOUBLE, '3P'][$random->getInt(0, 9)];
            $circuits[] = [
                'id' => "w$i", 'connect' => $connect, 'a' => $random->getInt(0, 320) / 10, 'locked' => $random->getInt(0, 5) === 0,
            ];
        }
        $answer = self::answer('phase_balance', ['circuits' => $circuits, 'target_pct' => 20]);
        [$optimum, $fewest, $frontier] = self::tryAll($circuits, 20);
        self::assertSame($optimum, self::told($answer['optimum']));
        self::assertSame($fewest, $answer['fewest'] === null ? null : self::told($answer['fewest']));
        self::assertSame($frontier, $answer['frontier']);
    }

    /**
     * @param list<array{id: string, connect: string, a: float, locked: bool}> $circuits
     *
     * @return array{array<string, mixed>, ?array<string, mixed>, list<array<string, int>>}
     */
    private static function tryAll(array $circuits, float $targetPct): array
    {
        $assignments = [[]];
        foreach ($circuits as $one) {
            $isFixed = $one['locked'] || $one['connect'] === '3P' || floor($one['a'] + 0.5) == 0;
            $ways = $isFixed ? [$one['connect']] : (in_array($one['connect'], self::SINGLE, true) ? self::SINGLE : self::DOUBLE);
            $next = [];
            foreach ($assignments as $before) {
                foreach ($ways as $way) {
                    $next[] = [...$before, $way];
                }
            }
            $assignments = $next;
        }
        $optimum = $fewest = null;
        $bySpread = [];
        foreach ($assignments as $ways) {
            $legs = [0, 0, 0];
            $moves = $list = [];
            foreach ($ways as $i => $way) {
                foreach (self::LEGS[$way] as $leg) {
                    $legs[$leg] += (int) floor($circuits[$i]['a'] + 0.5);
                }
                $list[] = (int) array_search($way, [...self::SINGLE, ...self::DOUBLE], true);
                if ($way !== $circuits[$i]['connect']) {
                    $moves[] = ['id' => $circuits[$i]['id'], 'from' => $circuits[$i]['connect'], 'to' => $way];
                }
            }
            $spread = max($legs) - min($legs);
            $mean = array_sum($legs) / 3;
            $unbalance = $mean == 0 ? 0.0 : 100 * max(array_map(static fn(int $leg): float => abs($leg - $mean), $legs)) / $mean;
            $told = ['moves' => $moves, 'plan_legs_a' => $legs, 'spread_a' => $spread];
            $rank = [$spread, count($moves), $list];
            $optimum = $optimum === null || $rank < $optimum[0] ? [$rank, $told] : $optimum;
            $rank = [count($moves), $spread, $list];
            if ($unbalance <= $targetPct + 1e-9 && ($fewest === null || $rank < $fewest[0])) {
                $fewest = [$rank, $told];
            }
            $bySpread[count($moves)] = min($bySpread[count($moves)] ?? PHP_INT_MAX, $spread);
        }
        ksort($bySpread);
        $frontier = [];
        foreach ($bySpread as $moves => $spread) {
            if ($frontier === [] || $spread < $frontier[count($frontier) - 1]['spread_a']) {
                $frontier[] = ['moves' => $moves, 'spread_a' => $spread];
            }
        }

        return [$optimum[1] ?? [], $fewest[1] ?? null, $frontier];
    }

    /** @return array<string, mixed> */
    private static function told(mixed $plan): array
    {
        return array_intersect_key((array) $plan, ['moves' => 0, 'plan_legs_a' => 0, 'spread_a' => 0]);
    }

    #[Test]
    public function phasors_add_up_and_triplens_meet_in_the_neutral(): void
    {
        $circuits = [
            ['id' => 'a', 'connect' => 'L1', 'a' => 30, 'triplen_pct' => 20],
            ['id' => 'b', 'connect' => 'L2', 'a' => 20, 'triplen_pct' => 10],
            ['id' => 'c', 'connect' => 'L3', 'a' => 10, 'pf' => 0.5, 'lead' => true],
        ];
        $utility = (array) ((array) self::answer('phase_balance', ['circuits' => $circuits])['present'])['utility'];
        // L3 leads by 60°: its phasor stands at 180°
        $re = 30 - 20 / 2 - 10;
        $im = -20 * sqrt(3) / 2;
        self::assertEqualsWithDelta(hypot($re, $im), $utility['neutral_fundamental_a'], 1e-9);
        self::assertEqualsWithDelta(8.0, $utility['neutral_triplen_a'], 1e-9);
        self::assertEqualsWithDelta(sqrt($re ** 2 + $im ** 2 + 64), $utility['neutral_a'], 1e-9);
        self::assertEqualsWithDelta(50.0, $utility['unbalance_pct'], 1e-9);
        $even = array_map(static fn(string $leg): array => ['id' => $leg, 'connect' => $leg, 'a' => 10], self::SINGLE);
        $utility = (array) ((array) self::answer('phase_balance', ['circuits' => $even])['present'])['utility'];
        self::assertEqualsWithDelta([10.0, 0.0, 0.0], [$utility['i1_a'], $utility['i2_a'], $utility['neutral_a']], 1e-9);
        $swapped = [['id' => 'x', 'connect' => 'L1', 'a' => 30]];
        $utility = (array) ((array) self::answer('phase_balance', ['circuits' => $swapped])['present'])['utility'];
        self::assertEqualsWithDelta([10.0, 10.0, 100.0], [$utility['i1_a'], $utility['i2_a'], $utility['i2_of_i1_pct']], 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, string, bool}> */
    public static function limits(): iterable
    {
        $one = ['circuits' => [['id' => 'x', 'connect' => 'L1', 'a' => 30]]];
        yield 'the main at its rating' => [$one + ['main_a' => 30], 'phase-overload', false];
        yield 'above it' => [$one + ['main_a' => 29.9], 'phase-overload', true];
        yield 'the neutral at its rating' => [$one + ['neutral_rated_a' => 30], 'neutral-overload', false];
        yield 'the neutral above it' => [$one + ['neutral_rated_a' => 29.9], 'neutral-overload', true];
        $set = static fn(array $generator): array => $one + ['generator' => $generator];
        yield 'a set at its rating' => [$set(['rated_a' => 30]), 'generator-phase-overload', false];
        yield 'a set above it' => [$set(['rated_a' => 29.9]), 'generator-phase-overload', true];
        yield 'negative sequence at its limit' => [$set(['rated_a' => 125]), 'negative-sequence', false];
        yield 'and beyond' => [$set(['rated_a' => 124.9]), 'negative-sequence', true];
        yield 'a limit of its own' => [$set(['rated_a' => 125, 'i2_limit_pct' => 7.9]), 'negative-sequence', true];
        yield 'a quarter of it on one leg' => [$set(['rated_a' => 120]), 'generator-single-phase-load', false];
        yield 'more on one leg' => [$set(['rated_a' => 119.9]), 'generator-single-phase-load', true];
        $three = static fn(float $low): array => ['circuits' => [
            ['id' => 'a', 'connect' => 'L1', 'a' => $low], ['id' => 'b', 'connect' => 'L2', 'a' => 50],
            ['id' => 'c', 'connect' => 'L3', 'a' => 100 - $low],
        ]];
        yield 'a tenth apart' => [$three(45), 'unbalance-high', false];
        yield 'more apart' => [$three(44.9), 'unbalance-high', true];
        yield 'another target' => [$three(44.9) + ['target_pct' => 11], 'unbalance-high', false];
        yield 'no more in the neutral than in a leg' => [$one, 'neutral-above-phase', false];
        $triplen = ['circuits' => [['id' => 'x', 'connect' => 'L1', 'a' => 30, 'triplen_pct' => 1]]];
        yield 'more in the neutral' => [$triplen, 'neutral-above-phase', true];
        yield 'one way alone cannot be balanced' => [$one, 'target-not-reachable', true];
        yield 'nor is there a better place for it' => [$one, 'plan-available', false];
        $two = ['circuits' => [['id' => 'a', 'connect' => 'L1', 'a' => 10], ['id' => 'b', 'connect' => 'L1', 'a' => 10]]];
        yield 'two on one leg can be parted' => [$two, 'plan-available', true];
        yield 'a way that moves may share its neutral' => [$two, 'check-shared-neutral', true];
        $many = static fn(int $n): array => ['circuits' => array_map(
            static fn(int $i): array => ['id' => "w$i", 'connect' => 'L1', 'a' => 10],
            range(1, $n),
        )];
        yield 'eighteen are tried in every way' => [$many(18), 'not-exact', false];
        yield 'nineteen are not' => [$many(19), 'not-exact', true];
    }

    /** @param array<string, mixed> $panel */
    #[Test, DataProvider('limits')]
    public function a_limit_is_held_on_its_edge(array $panel, string $id, bool $isFound): void
    {
        self::assertSame($isFound, in_array($id, self::found('phase_balance', $panel), true));
    }

    #[Test]
    public function many_ways_are_balanced_too(): void
    {
        $circuits = array_map(static fn(int $i): array => ['id' => "w$i", 'connect' => 'L1', 'a' => $i], range(1, 30));
        $answer = self::answer('phase_balance', ['circuits' => $circuits]);
        self::assertFalse($answer['exact']);
        self::assertSame([], $answer['frontier']);
        self::assertLessThanOrEqual(1, ((array) $answer['optimum'])['spread_a']);
        self::assertLessThanOrEqual(10.0, ((array) $answer['fewest'])['plan_unbalance_pct']);
    }

    #[Test]
    public function what_is_shed_does_not_weigh_on_the_generator(): void
    {
        $circuits = [
            ['id' => 'a', 'connect' => 'L1', 'a' => 30, 'shed' => true], ['id' => 'b', 'connect' => 'L1', 'a' => 10],
            ['id' => 'c', 'connect' => 'L2', 'a' => 10],
        ];
        $input = ['circuits' => $circuits, 'generator' => ['rated_a' => 100], 'optimise_for' => 'generator'];
        $answer = self::answer('phase_balance', $input);
        self::assertSame(['b', 'c'], $answer['movable']);
        self::assertSame([10, 10, 0], ((array) $answer['present'])['plan_legs_a']);
        self::assertEqualsWithDelta([10.0, 10.0, 0.0], ((array) ((array) $answer['present'])['generator'])['leg_a'], 1e-9);
        self::assertEqualsWithDelta([40.0, 10.0, 0.0], ((array) ((array) $answer['present'])['utility'])['leg_a'], 1e-9);
    }
}
