<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\BankElements;
use Escapement\Core\LoadTest\LoadStep;
use Escapement\Core\LoadTest\ProofRow;
use Escapement\Core\LoadTest\TestProfile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class LoadTestPlanTest extends TestCase
{
    #[Test]
    public function the_elements_are_those_that_trying_all_of_them_finds(): void
    {
        $random = new Randomizer(new Mt19937(41));
        for ($round = 0; $round < 60; $round++) {
            $kw = array_map(static fn(): float => $random->getInt(1, 6) / 2, range(1, $random->getInt(1, 9)));
            $bank = new BankElements($kw);
            $watts = $random->getInt(0, 16_000);
            self::assertSame(self::tried($bank->watts, $watts), $bank->reaching($watts), json_encode([$kw, $watts]) ?: '');
        }
    }

    /**
     * @param list<int> $elements
     *
     * @return list<int>
     */
    private static function tried(array $elements, int $watts): array
    {
        $best = null;
        for ($mask = 0; $mask < 1 << count($elements); $mask++) {
            $set = array_values(array_filter(array_keys($elements), static fn(int $i): bool => ($mask >> $i & 1) === 1));
            $sum = array_sum(array_map(static fn(int $i): int => $elements[$i], $set));
            $rank = [$sum, count($set), $set];
            if ($sum >= $watts && ($best === null || $rank < $best)) {
                $best = $rank;
            }
        }

        return $best[2] ?? array_keys($elements);
    }

    #[Test]
    public function twenty_elements_are_chosen_at_once(): void
    {
        $bank = new BankElements(array_map(static fn(int $i): float => 1.25 + 0.37 * $i, range(0, 19)));
        $elements = $bank->reaching(43_210);
        self::assertGreaterThanOrEqual(43.21, $bank->kwOf($elements));
        self::assertLessThan(43.23, $bank->kwOf($elements));
    }

    /**
     * @param list<array{int, int}> $steps
     * @param list<array{float, float}> $rows
     */
    #[Test, DataProvider('profiles')]
    public function a_level_counts_as_long_as_it_or_a_higher_one_follows(array $steps, array $rows): void
    {
        $proof = TestProfile::Custom->proof(array_map(static fn(array $step): LoadStep => new LoadStep(...$step), $steps));
        self::assertEquals($rows, array_map(static fn(ProofRow $row): array => [$row->levelPct, $row->minutes], $proof));
    }

    /** @return iterable<string, array{list<array{int, int}>, list<array{int, int}>}> */
    public static function profiles(): iterable
    {
        yield 'up' => [[[30, 30], [50, 30], [100, 60]], [[30, 120], [50, 90], [100, 60]]];
        yield 'up and down' => [[[50, 10], [100, 20], [25, 30]], [[50, 30], [100, 20], [25, 30]]];
        yield 'the same twice, with a lower one between' => [[[50, 10], [25, 5], [50, 20]], [[50, 20], [25, 25]]];
    }

    #[Test]
    public function the_figure_of_a_step_is_the_total_of_building_and_bank(): void
    {
        $plan = $this->plan(['building_kw' => 12, 'bank_elements_kw' => [5, 5, 10, 10]]);
        self::assertSame([30.0, 50.0, 75.0], array_column($plan['steps'], 'level_pct'));
        foreach ($plan['steps'] as $step) {
            self::assertEqualsWithDelta($step['kw'], 12 + $step['bank_kw'], 1e-9);
            self::assertGreaterThanOrEqual($step['target_kw'] - 1e-9, $step['kw'] + $step['short_kw']);
        }
        $times = $plan['readings_t_s'];
        $sorted = $times;
        sort($sorted);
        self::assertSame($sorted, $times);
        self::assertSame($plan['steps'][0]['start_s'], $times[0]);
        self::assertSame($plan['steps'][2]['end_s'], $times[count($times) - 1]);
    }

    #[Test]
    public function more_building_never_needs_more_bank_nor_more_fuel_there(): void
    {
        $last = INF;
        foreach ([0, 5, 10, 20, 40] as $building) {
            $plan = $this->plan(['building_kw' => $building, 'bank_elements_kw' => [5, 5, 5, 5, 5, 5]]);
            $bank = array_sum(array_column($plan['steps'], 'bank_kw'));
            self::assertLessThanOrEqual($last, $bank);
            $last = $bank;
        }
    }

    /** @param array<string, mixed> $more */
    #[Test, DataProvider('faults')]
    public function a_fault_is_named_at_its_field(array $more, string $path): void
    {
        try {
            $this->plan($more);
            self::fail('this is bad input');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'steps beside a profile' => [['steps' => [['level_pct' => 30, 'minutes' => 5]]], '/steps'];
        yield 'a custom one without' => [['profile' => 'custom'], '/steps'];
        yield 'a class where there is none' => [['class_min' => 120], '/class_min'];
        yield 'readings every second of a day' => [['reading_interval_min' => 0.001], '/reading_interval_min'];
        yield 'a table without its unit' => [
            ['fuel_table' => [['load_pct' => 25, 'rate' => 1], ['load_pct' => 50, 'rate' => 2]]],
            '/fuel_table_unit',
        ];
        yield 'an unknown key first' => [['steps' => 4, 'colour' => 'red'], '/colour'];
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function plan(array $more): array
    {
        return (new Calculations())->calc('load_test_plan', Node::fromArray(
            $more + ['profile' => 'semi_annual', 'nameplate_kw' => 40, 'fuel' => 'diesel'],
        ));
    }
}
