<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a run proves and what it does not, and when it is due again. Rule: docs/rules.md#exercise-value. */
final class ExerciseValueTest extends TestCase
{
    use Answers;

    private const TODAY = '2026-06-15';
    private const TYPES = ['no_load_low_speed', 'no_load_rated', 'with_load', 'building_load', 'load_bank', 'four_hour', 'outage'];

    /** @return iterable<string, array{string, string}> proof; by which of the types, in their order */
    public static function proofs(): iterable
    {
        yield 'it starts' => ['starts', 'xxxxxxx'];
        yield 'rated voltage' => ['rated_voltage', '-xxxxxx'];
        yield 'it transfers' => ['transfers', '--xx--x'];
        yield 'it carries the building' => ['carries_building', '--xx--x'];
        yield 'measured under load' => ['measured_under_load', '---xxx-'];
        yield 'it carries its rating' => ['carries_rating', '----x--'];
        yield 'cooling' => ['cooling_at_load', '---xxx-'];
        yield 'fuel' => ['fuel_at_load', '---xxx-'];
        yield 'it clears its stack' => ['clears_wet_stacking', '----xx-'];
        yield 'endurance' => ['endurance', '-----x-'];
        yield 'it senses an outage' => ['senses_outage', '------x'];
        yield 'it comes back' => ['return_sequence', '--xx--x'];
        yield 'loads ride through' => ['loads_ride_through', '------x'];
    }

    #[Test, DataProvider('proofs')]
    public function a_run_proves_what_it_went_through_and_nothing_else(string $proof, string $by): void
    {
        foreach (self::TYPES as $i => $type) {
            $value = self::answer('exercise_value', ['today' => self::TODAY]);
            $says = ((array) $value['types'])[$type];
            self::assertSame($by[$i] === 'x', in_array($proof, $says['proves'], true), $type);
            self::assertSame($by[$i] !== 'x', in_array($proof, $says['does_not_prove'], true), $type);
            $run = ['runs' => [['type' => $type, 'date' => '2026-06-01']]];
            $proven = array_column((array) self::answer('exercise_value', ['today' => self::TODAY] + $run)['proofs'], null, 'id')[$proof];
            self::assertSame($by[$i] === 'x' ? ['2026-06-01', $type] : [null, null], [$proven['last_proven'], $proven['by']]);
            $failed = ['runs' => [['type' => $type, 'date' => '2026-06-01', 'verdict' => 'fail']]];
            $proofs = (array) self::answer('exercise_value', ['today' => self::TODAY] + $failed)['proofs'];
            self::assertNull(array_column($proofs, 'last_proven', 'id')[$proof], 'a failed run proves nothing');
        }
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, int>}> school, months by type */
    public static function schools(): iterable
    {
        yield 'critical' => [['school' => 'critical'], ['building_load' => 1, 'load_bank' => 12, 'four_hour' => 36, 'outage' => 12]];
        $met = ['school' => 'critical', 'monthly_met' => true];
        yield 'critical, monthly runs met' => [$met, ['building_load' => 1, 'four_hour' => 36, 'outage' => 12]];
        yield 'quarterly where nothing is said' => [[], ['building_load' => 3, 'load_bank' => 12, 'outage' => 12]];
        yield 'semi-annual' => [['school' => 'semi_annual'], ['building_load' => 6, 'load_bank' => 24, 'outage' => 12]];
        yield 'annual' => [['school' => 'annual'], ['building_load' => 12, 'outage' => 12]];
        yield 'its own' => [['school' => 'custom', 'intervals' => ['outage' => 7]], ['outage' => 7]];
    }

    /**
     * @param array<string, mixed> $school
     * @param array<string, int>   $months
     */
    #[Test, DataProvider('schools')]
    public function a_school_says_how_often(array $school, array $months): void
    {
        $due = (array) self::answer('exercise_value', $school + ['today' => self::TODAY])['due'];
        self::assertSame($months, array_column($due, 'months', 'type'));
        self::assertSame(array_fill(0, count($months), 'never'), array_column($due, 'status'));
        self::assertSame(array_fill(0, count($months), self::TODAY), array_column($due, 'due'));
    }

    /** @return iterable<string, array{string, string, string, int}> last done, due, status, days overdue */
    public static function days(): iterable
    {
        yield 'due in 31 days' => ['2026-04-16', '2026-07-16', 'ok', 0];
        yield 'due in 30 days' => ['2026-04-15', '2026-07-15', 'soon', 0];
        yield 'due today' => ['2026-03-15', '2026-06-15', 'soon', 0];
        yield 'due yesterday' => ['2026-03-14', '2026-06-14', 'overdue', 1];
        yield 'the last of a longer month' => ['2025-11-30', '2026-02-28', 'overdue', 107];
    }

    #[Test, DataProvider('days')]
    public function a_run_is_due_after_its_months(string $last, string $due, string $status, int $overdue): void
    {
        $one = self::due(['last_done' => ['building_load' => $last]]);
        self::assertSame([$last, $due, $due, null, $status, $overdue], [
            $one['last_done'], $one['due'], $one['due_latest'], $one['due_earliest'], $one['status'], $one['days_overdue'],
        ]);
    }

    /** @return iterable<string, array{string, string, int}> last done, status, days overdue */
    public static function windows(): iterable
    {
        yield 'done 41 days ago' => ['2026-05-05', 'overdue', 1];
        yield 'done 40 days ago' => ['2026-05-06', 'soon', 0];
        yield 'done yesterday' => ['2026-06-14', 'soon', 0];
    }

    #[Test, DataProvider('windows')]
    public function a_monthly_run_has_a_window(string $last, string $status, int $overdue): void
    {
        $one = self::due(['school' => 'critical', 'last_done' => ['building_load' => $last]]);
        $day = static fn(string $days): string => (new \DateTimeImmutable($last))->modify($days)->format('Y-m-d');
        self::assertSame([$day('+20 days'), $day('+40 days'), $status, $overdue], [
            $one['due_earliest'], $one['due_latest'], $one['status'], $one['days_overdue'],
        ]);
    }

    #[Test]
    public function the_latest_passed_run_counts_wherever_it_is_written(): void
    {
        $runs = [
            ['type' => 'building_load', 'date' => '2026-05-01'],
            ['type' => 'building_load', 'date' => '2026-06-01', 'verdict' => 'not_proven'],
            ['type' => 'building_load', 'date' => '2026-06-02', 'verdict' => 'fail'],
        ];
        self::assertSame('2026-05-01', self::due(['runs' => $runs, 'last_done' => ['building_load' => '2026-04-01']])['last_done']);
        self::assertSame('2026-05-02', self::due(['runs' => $runs, 'last_done' => ['building_load' => '2026-05-02']])['last_done']);
    }

    #[Test]
    public function a_real_outage_counts_as_one_and_with_readings_as_a_run_on_the_building(): void
    {
        $outage = ['type' => 'real_outage', 'date' => '2026-06-01'];
        $of = static fn(array $run): array => array_column(
            (array) self::answer('exercise_value', ['today' => self::TODAY, 'runs' => [$run]])['due'],
            'last_done',
            'type',
        );
        self::assertSame(['building_load' => null, 'load_bank' => null, 'outage' => '2026-06-01'], $of($outage));
        self::assertSame(
            ['building_load' => '2026-06-01', 'load_bank' => null, 'outage' => '2026-06-01'],
            $of($outage + ['with_readings' => true]),
        );
        self::assertSame(['building_load' => null, 'load_bank' => null, 'outage' => null], $of($outage + ['verdict' => 'fail']));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function told(): iterable
    {
        $at = '2026-06-01';
        $never = ['never-done'];
        yield 'nothing was ever done' => [[], ['never-load-tested', 'outage-never-proved', ...$never]];
        $all = ['building_load' => $at, 'load_bank' => $at, 'outage' => $at];
        yield 'all done' => [['last_done' => $all], []];
        $idle = ['last_done' => ['no_load_rated' => $at, 'no_load_low_speed' => $at]];
        yield 'only idle runs' => [$idle, ['never-load-tested', 'exercise-only', 'outage-never-proved', ...$never]];
        $loaded = ['last_done' => ['no_load_rated' => $at, 'with_load' => $at]];
        yield 'and one with the load' => [$loaded, ['never-load-tested', 'outage-never-proved', ...$never]];
        yield 'one overdue' => [['last_done' => ['building_load' => '2026-01-01'] + $all], ['overdue']];
        $fail = static fn(string $type, string $day, string $verdict = 'fail'): array => [
            'type' => $type, 'date' => $day, 'verdict' => $verdict,
        ];
        yield 'the last one failed' => [['last_done' => $all, 'runs' => [$fail('load_bank', '2026-06-02')]], ['last-run-failed']];
        yield 'one before it failed' => [['last_done' => $all, 'runs' => [$fail('load_bank', '2026-05-31')]], []];
        yield 'two on a day, the later counts' => [['last_done' => $all, 'runs' => [$fail('load_bank', $at)]], ['last-run-failed']];
        $both = [$fail('load_bank', $at), $fail('load_bank', $at, 'pass')];
        yield 'and it passed' => [['last_done' => $all, 'runs' => $both], []];
        yield 'a real outage failed' => [['last_done' => $all, 'runs' => [$fail('real_outage', '2026-06-02')]], ['last-run-failed']];
    }

    /**
     * @param array<string, mixed> $done
     * @param list<string>         $ids
     */
    #[Test, DataProvider('told')]
    public function what_is_missing_is_told(array $done, array $ids): void
    {
        self::assertEqualsCanonicalizing($ids, self::found('exercise_value', $done + ['today' => self::TODAY]));
    }

    #[Test]
    public function what_is_due_first_comes_next(): void
    {
        $done = ['building_load' => '2026-06-01', 'load_bank' => '2025-07-01', 'outage' => '2025-07-01'];
        $next = self::answer('exercise_value', ['today' => self::TODAY, 'last_done' => $done])['next_due'];
        self::assertSame(['type' => 'load_bank', 'due' => '2026-07-01'], $next);
    }

    /**
     * @param array<string, mixed> $done
     *
     * @return array<string, mixed> of the run on the building
     */
    private static function due(array $done): array
    {
        return array_column((array) self::answer('exercise_value', $done + ['today' => self::TODAY])['due'], null, 'type')['building_load'];
    }
}
