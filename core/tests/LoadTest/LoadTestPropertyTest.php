<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What holds for every load test, whatever was read: made-up runs of a diesel of 40 kW, some good, some not. */
final class LoadTestPropertyTest extends TestCase
{
    private const RANK = ['fail' => 0, 'not_proven' => 1, 'pass' => 2];

    /** @return iterable<string, array{Randomizer, list<array<string, mixed>>}> */
    public static function runs(): iterable
    {
        for ($seed = 0; $seed < 60; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $readings = [];
            $t = 0;
            $kw = 20.0;
            for ($i = 0, $count = $random->getInt(3, 14); $i < $count; $i++) {
                $kw = $random->getInt(0, 3) === 0 ? $random->getInt(20, 84) / 2 : $kw;
                $v = 120 + $random->getInt(-8, 8) / ($seed % 3 === 0 ? 1 : 4);
                $readings[] = [
                    't_s' => $t, 'v_v' => [$v, $v, $v + 0.2], 'a_a' => array_fill(0, 3, round(1000 * $kw / 360, 3)),
                    'hz' => 60 + $random->getInt(-5, 5) / 100, 'kw' => $kw, 'oil_kpa' => 380 - $random->getInt(0, 30),
                    'coolant_c' => 84 + $random->getInt(0, 8), 'battery_v' => 13.8,
                ];
                $t += $random->getInt(1, 4) * 300;
            }
            yield "seed $seed" => [$random, $readings];
        }
    }

    /** @param list<array<string, mixed>> $readings */
    #[Test, DataProvider('runs')]
    public function a_reading_inside_a_proved_stretch_changes_no_verdict(Randomizer $random, array $readings): void
    {
        $at = $random->getInt(0, count($readings) - 2);
        [$before, $after] = [$readings[$at], $readings[$at + 1]];
        if ($after['t_s'] - $before['t_s'] > 900) {
            $this->expectNotToPerformAssertions(); // nothing is proved between these two

            return;
        }
        // at the level of the higher of them: above every level that the stretch holds
        $higher = $before['kw'] >= $after['kw'] ? $before : $after;
        $between = ['t_s' => ($before['t_s'] + $after['t_s']) / 2] + $higher;
        $more = [...array_slice($readings, 0, $at + 1), $between, ...array_slice($readings, $at + 1)];
        self::assertSame($this->verdicts($readings), $this->verdicts($more));
    }

    /** @param list<array<string, mixed>> $readings */
    #[Test, DataProvider('runs')]
    public function a_set_twice_as_large_with_twice_the_load_is_judged_alike(Randomizer $random, array $readings): void
    {
        $larger = array_map(static fn(array $one): array => [
            'kw' => 2 * $one['kw'], 'a_a' => array_map(static fn(float $a): float => 2 * $a, $one['a_a']),
        ] + $one, $readings);
        $answer = $this->evaluate($readings);
        $doubled = $this->evaluate($larger, ['nameplate_kw' => 80, 'rated_a' => 240]);
        $same = static fn(array $one): array => array_diff_key($one, ['at_top' => 1, 'working' => 1, 'findings' => 1])
            + ['ids' => array_map(static fn(array $finding): string => "{$finding['id']} {$finding['severity']}", $one['findings'])];
        self::assertEqualsWithDelta($same($answer), $same($doubled), 1e-9);
    }

    /** @param list<array<string, mixed>> $readings */
    #[Test, DataProvider('runs')]
    public function leaving_out_a_reading_of_a_level_never_turns_a_failure_into_a_pass(Randomizer $random, array $readings): void
    {
        $levels = static fn(array $verdicts): array => array_filter(
            $verdicts,
            static fn(string $id): bool => str_starts_with($id, 'level-'),
            ARRAY_FILTER_USE_KEY,
        );
        $whole = $levels($this->verdicts($readings));
        foreach (array_keys($readings) as $i) {
            $less = $readings;
            // a reading below the level that is dropped would hide that the load was away: only those that hold it are left out
            if ($readings[$i]['kw'] < 20) {
                continue;
            }
            array_splice($less, $i, 1);
            foreach ($levels($this->verdicts($less)) as $id => $verdict) {
                self::assertLessThanOrEqual(max(1, self::RANK[$whole[$id]]), self::RANK[$verdict], "$id without reading $i");
            }
        }
        self::assertNotSame([], $whole);
    }

    /** @param list<array<string, mixed>> $readings */
    #[Test, DataProvider('runs')]
    public function shifting_all_times_changes_nothing(Randomizer $random, array $readings): void
    {
        $by = $random->getInt(1, 90_000);
        $later = array_map(static fn(array $one): array => ['t_s' => $one['t_s'] + $by] + $one, $readings);
        $moved = $this->evaluate($later);
        $moved['at_top']['t_s'] -= $by;
        self::assertEqualsWithDelta($this->evaluate($readings), $moved, 1e-9);
    }

    /**
     * @param list<array<string, mixed>> $readings
     *
     * @return array<string, string> of the whole, and of each requirement
     */
    private function verdicts(array $readings): array
    {
        $answer = $this->evaluate($readings);

        return ['all' => $answer['verdict']] + array_column($answer['requirements'], 'verdict', 'id');
    }

    /**
     * @param list<array<string, mixed>> $readings
     * @param array<string, mixed>       $more
     *
     * @return array<string, mixed>
     */
    private function evaluate(array $readings, array $more = []): array
    {
        $input = $more + [
            'profile' => 'custom', 'steps' => [['level_pct' => 50, 'minutes' => 20], ['level_pct' => 75, 'minutes' => 15]],
            'fuel' => 'diesel', 'nameplate_kw' => 40, 'rated_a' => 120, 'phases' => 3, 'readings' => $readings,
        ];
        $answer = (new Calculations())->calc('load_test_evaluate', Node::fromArray($input));

        /** @var array<string, mixed> */
        return json_decode(json_encode($answer, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 64, JSON_THROW_ON_ERROR);
    }
}
