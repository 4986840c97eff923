<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\MannKendall;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\LoadTest\LoadTestResultReader;
use Escapement\Core\Wire\ResultWriter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class LoadTestEvaluationTest extends TestCase
{
    /**
     * @param list<array<string, mixed>> $change by reading
     * @param array<string, mixed>       $more
     */
    #[Test, DataProvider('edges')]
    public function a_limit_holds_to_its_edge(array $change, array $more, string $finding, bool $isRaised): void
    {
        $readings = [];
        foreach ([0, 300, 600, 900, 1200] as $i => $t) {
            $readings[] = ($change[$i] ?? $change[0] ?? []) + [
                't_s' => $t, 'v_v' => [120, 120], 'a_a' => [50, 50], 'hz' => 60, 'oil_kpa' => 300, 'coolant_c' => 85, 'battery_v' => 13.6,
            ];
        }
        $answer = $this->evaluate(['readings' => $readings] + $more);
        $ids = array_map(static fn(array $one): string => "{$one['id']} {$one['severity']}", $answer['findings']);
        self::assertSame($isRaised, in_array($finding, $ids, true), implode(', ', $ids));
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, bool}> */
    public static function edges(): iterable
    {
        yield 'oil on its limit' => [[['oil_kpa' => 140]], [], 'oil-low stop', false];
        yield 'oil below it' => [[['oil_kpa' => 139.9]], [], 'oil-low stop', true];
        yield 'coolant on its limit' => [[['coolant_c' => 105]], [], 'coolant-hot stop', false];
        yield 'coolant above it' => [[['coolant_c' => 105.1]], [], 'coolant-hot stop', true];
        yield 'a cold engine after a quarter of an hour' => [[['coolant_c' => 69]], [], 'coolant-cold warn', true];
        yield 'volts two percent apart' => [[['v_v' => [117.6, 122.4]]], [], 'v-unbalance warn', false];
        yield 'a little more' => [[['v_v' => [117.5, 122.5]]], [], 'v-unbalance warn', true];
        yield 'five percent apart' => [[['v_v' => [114, 126]]], [], 'v-unbalance stop', false];
        yield 'and more' => [[['v_v' => [113.9, 126.1]]], [], 'v-unbalance stop', true];
        yield 'a cool exhaust at low load' => [self::low(314), ['fuel' => 'diesel'], 'wet-stacking-risk warn', true];
        yield 'an exhaust that burns clean' => [self::low(315), ['fuel' => 'diesel'], 'wet-stacking-risk warn', false];
        yield 'a spark engine fouls nothing' => [self::low(100), [], 'wet-stacking-risk warn', false];
        yield 'a leg at its rating' => [[['a_a' => [60, 40]]], ['rated_a' => 60], 'leg-at-limit warn', false];
        yield 'a leg above it' => [[['a_a' => [61, 39]]], ['rated_a' => 60], 'leg-at-limit warn', true];
        yield 'a leg five percent above' => [[['a_a' => [63.1, 39]]], ['rated_a' => 60], 'leg-overload stop', true];
        yield 'a set at 105 percent' => [[['kw' => 10.5]], [], 'overload warn', true];
        yield 'a set beyond' => [[['kw' => 10.6]], [], 'overload stop', true];
        yield 'a battery that is not charged' => [[['battery_v' => 12.9]], [], 'battery-not-charging warn', true];
        yield 'hertz that wander when warm' => [[[], [], [], [], ['hz' => 59.3]], [], 'drift-frequency warn', true];
        yield 'a reading each twenty minutes' => [[], ['max_gap_s' => 300], 'reading-gap warn', false];
        yield 'or later' => [[], ['max_gap_s' => 299], 'reading-gap warn', true];
        yield 'nothing to carry' => [[['kw' => 0.9]], [], 'not-a-load-test warn', true];
    }

    /** @return list<array<string, mixed>> two fifths of an hour at a fifth of the load */
    private static function low(float $exhaustC): array
    {
        return array_map(
            static fn(int $t): array => ['t_s' => $t, 'kw' => 2, 'exhaust_c' => $exhaustC],
            [0, 600, 1200, 1800, 2400],
        );
    }

    #[Test]
    public function what_was_not_read_is_not_proved_and_does_not_sink_the_test(): void
    {
        $reading = static fn(int $t, float $kw): array => ['t_s' => $t, 'v_v' => [120], 'a_a' => [50], 'hz' => 60, 'kw' => $kw];
        $answer = $this->evaluate(['phases' => 1, 'readings' => [$reading(0, 6), $reading(600, 6), $reading(1200, 6)]]);
        $verdicts = array_column($answer['requirements'], 'verdict', 'id');
        self::assertSame('pass', $answer['verdict']);
        self::assertSame(['not_proven', 'not_proven', 'not_proven'], [$verdicts['oil'], $verdicts['coolant'], $verdicts['transient']]);
    }

    #[Test]
    public function a_gap_in_the_middle_breaks_the_stretch_and_time_without_load_fails(): void
    {
        $reading = static fn(int $t, float $kw): array => ['t_s' => $t, 'v_v' => [120], 'a_a' => [50], 'hz' => 60, 'kw' => $kw];
        $level = function (array $readings): string {
            $answer = $this->evaluate([
                'phases' => 1, 'profile' => 'custom', 'steps' => [['level_pct' => 50, 'minutes' => 30]], 'readings' => $readings,
            ]);

            return $answer['requirements'][0]['verdict'];
        };
        self::assertSame('pass', $level([$reading(0, 5), $reading(900, 5), $reading(1800, 5)]));
        self::assertSame('not_proven', $level([$reading(0, 5), $reading(1500, 5), $reading(2400, 5)]), 'too far apart');
        self::assertSame('fail', $level([$reading(0, 5), $reading(900, 4.9), $reading(1800, 5)]), 'there was time');
    }

    #[Test]
    public function the_lengths_of_a_reading_are_judged_after_all_single_fields(): void
    {
        $path = function (array $readings, array $more = []): string {
            try {
                $this->evaluate(['readings' => $readings] + $more);
            } catch (BadInput $e) {
                return $e->path;
            }

            return 'none';
        };
        $good = ['t_s' => 0, 'v_v' => [120, 120], 'a_a' => [1, 1], 'hz' => 60];
        self::assertSame('/readings/0/v_v', $path([['v_v' => [120]] + $good]));
        self::assertSame('/readings/1/t_s', $path([$good, $good]));
        self::assertSame('/steps_seen', $path([['v_v' => [120]] + $good], ['steps_seen' => 3]), 'a wrong type comes first');
        self::assertSame('/readings/0/hz', $path([['v_v' => [120], 'hz' => -1] + $good]));
    }

    #[Test]
    public function the_chance_of_an_order_is_exact(): void
    {
        self::assertEqualsWithDelta(2 / 24, MannKendall::p(4, 6), 1e-15);
        self::assertEqualsWithDelta(8 / 24, MannKendall::p(4, 4), 1e-15);
        self::assertEqualsWithDelta(2 / 120, MannKendall::p(5, -10), 1e-15);
        self::assertSame(1.0, MannKendall::p(9, 0));
        self::assertLessThan(1e-6, MannKendall::p(200, 10_000));
    }

    #[Test]
    public function a_run_is_due_on_the_last_day_of_a_shorter_month_and_only_a_passed_one_counts(): void
    {
        $answer = (new Calculations())->calc('exercise_value', Node::fromArray([
            'today' => '2027-02-20', 'school' => 'custom', 'intervals' => ['with_load' => 1], 'last_done' => ['with_load' => '2027-01-31'],
            'runs' => [['type' => 'with_load', 'date' => '2027-02-10', 'verdict' => 'fail']],
        ]));
        self::assertSame('2027-02-28', $answer['due'][0]['due']);
        self::assertSame('soon', $answer['due'][0]['status']);
        self::assertContains('last-run-failed', array_column($answer['findings'], 'id'));
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private function evaluate(array $more): array
    {
        return (new Calculations())->calc('load_test_evaluate', Node::fromArray(
            $more + ['profile' => 'quarterly_house', 'nameplate_kw' => 10, 'fuel' => 'petrol'],
        ));
    }

    #[Test]
    public function an_answer_that_was_kept_is_read_again_as_it_was(): void
    {
        $count = 0;
        foreach (CaseFile::read('loads') as $name => [$case]) {
            if ($case->calc !== 'load_test_evaluate' || isset($case->expect->error)) {
                continue;
            }
            $count++;
            $written = json_encode((new Calculations())->calc('load_test_evaluate', new Node($case->input)), JSON_THROW_ON_ERROR);
            $read = (new LoadTestResultReader())->result(Node::fromJson($written));
            self::assertSame($written, json_encode(ResultWriter::write($read), JSON_THROW_ON_ERROR), $name);
        }
        self::assertGreaterThan(5, $count);
        $this->expectException(BadInput::class);
        (new LoadTestResultReader())->result(Node::fromJson('{"verdict":"passed"}'));
    }
}
