<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Device;

use Escapement\Core\Device\DeviceEntry;
use Escapement\Core\Device\LogMarks;
use Escapement\Core\Device\LogMarksInput;
use Escapement\Core\Device\LogReadings;
use Escapement\Core\Device\LogReadingsInput;
use Escapement\Core\Device\Poll;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Plant\PlantKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a device's log and its polls become. Rule: docs/rules.md#log-to-marks, docs/rules.md#log-to-readings. */
final class DeviceLogTest extends TestCase
{
    /**
     * @param list<string> $log   "t kind side", the side of a source, or from or to which a switch went
     * @param list<string> $marks "t event"
     */
    #[Test, DataProvider('logs')]
    public function a_log_becomes_the_marks_that_a_thumb_would_make(PlantKind $kind, array $log, array $marks): void
    {
        $entries = [];
        foreach ($log as $seq => $line) {
            [$t, $what, $side] = explode(' ', "$line ");
            $entries[] = new DeviceEntry(
                $seq,
                (int) $t,
                $what,
                str_starts_with($what, 'source') ? $side : null,
                $what === 'switch_opened' ? $side : null,
                $what === 'switch_closed' ? $side : null,
            );
        }
        $answer = (new LogMarks())->of(new LogMarksInput($entries, false, 500, $kind, [], 2000));
        self::assertSame($marks, array_map(
            static fn(array $one): string => "{$one['device_ms']} {$one['event']}",
            is_array($answer->values['marks']) ? $answer->values['marks'] : [],
        ));
    }

    /** @return iterable<string, array{PlantKind, list<string>, list<string>}> */
    public static function logs(): iterable
    {
        $outage = [
            '10500 source_lost normal', '15500 start_contact_closed', '15500 crank_started', '20800 source_returned emergency',
            '25800 switch_opened normal', '25900 switch_closed emergency',
        ];
        $away = ['10000 utility_off', '15500 start_signal', '20800 engine_running', '25900 transferred'];
        $back = ['80000 source_returned normal', '140000 switch_opened emergency', '140100 switch_closed normal', '200100 engine_stopped'];
        $home = ['80000 utility_on', '140100 retransferred', '200100 engine_stopped'];
        yield 'an outage' => [PlantKind::Standby, [...$outage, ...$back], [...$away, ...$home]];
        yield 'a bait that is taken away' => [
            PlantKind::Standby, [...$outage, '60000 source_returned normal', '70500 source_lost normal', ...$back],
            [...$away, '60000 bait_on', '70000 bait_off', ...$home],
        ];
        yield 'lost again after it went back is a new outage' => [
            PlantKind::Standby, [...$outage, ...$back, '300500 source_lost normal'], [...$away, ...$home, '300000 utility_off'],
        ];
        yield 'the generator lost while the utility is back is no bait' => [
            PlantKind::Standby, [...$outage, '80000 source_returned normal', '90000 source_lost emergency', ...array_slice($back, 1)],
            [...$away, ...$home],
        ];
        yield 'two supplies have no engine' => [
            PlantKind::TwoSource, [...$outage, ...$back],
            ['10000 utility_off', '25900 transferred', '80000 utility_on', '140100 retransferred'],
        ];
        yield 'on a vehicle the engine tells, and the shore does not' => [
            PlantKind::Mobile, [...$outage, ...$back],
            ['15500 start_signal', '20800 engine_running', '25900 transferred', '140100 retransferred', '200100 engine_stopped'],
        ];
        yield 'a second attempt is no second start' => [
            PlantKind::Mobile, ['1000 crank_started', '3000 crank_started', '9000 source_returned emergency'],
            ['1000 start_signal', '9000 engine_running'],
        ];
        yield 'a transfer that turns back is no return' => [
            PlantKind::Standby, ['1000 switch_opened normal', '1100 switch_closed normal'], [],
        ];
        yield 'a delay that reaches before the log' => [PlantKind::Standby, ['300 source_lost normal'], ['0 utility_off']];
    }

    /**
     * @param list<int>             $times
     * @param array<int, float>     $kw    from this place on
     * @param array<int, float>     $volts at this place; 120 else
     * @param list<string>          $ids
     * @param list<list<float|int>> $steps from, to, extreme volts, seconds to recovery
     */
    #[Test, DataProvider('polls')]
    public function polls_become_readings_and_steps(array $times, array $kw, array $volts, array $ids, array $steps): void
    {
        $now = 0.0;
        $polls = [];
        foreach ($times as $i => $t) {
            $now = $kw[$i] ?? $now;
            $polls[] = new Poll($t, [$volts[$i] ?? 120.0], [0.0], 60.0, $now, 1.0, null, null, null, null);
        }
        self::assertNotSame([], $polls);
        $answer = (new LogReadings())->of(new LogReadingsInput($polls, 60, 120, 60, 5, 10, 5, 0.5));
        self::assertSame($ids, array_map(static fn(Finding $one): string => $one->id, $answer->findings));
        self::assertEquals($steps, array_map(
            static fn(array $one): array => [$one['from_kw'], $one['to_kw'], $one['v_extreme_v'], $one['v_recovery_s']],
            is_array($answer->values['steps_seen']) ? $answer->values['steps_seen'] : [],
        ));
    }

    /** @return iterable<string, array{list<int>, array<int, float>, array<int, float>, list<string>, list<list<null|float|int>>}> */
    public static function polls(): iterable
    {
        $every = static fn(int $ms, int $count): array => array_map(static fn(int $i): int => $ms * $i, range(0, $count - 1));
        yield 'five kilowatts are no step' => [$every(500, 30), [10 => 5.0], [], [], []];
        yield 'a little more is one' => [$every(500, 30), [10 => 5.1], [], [], [[0, 5.1, 120, 0]]];
        yield 'a dip that is back' => [$every(500, 40), [10 => 20.0], [10 => 100.0, 11 => 113.9], [], [[0, 20, 100, 1]]];
        yield 'in its band at once: six volts' => [$every(500, 40), [10 => 20.0], [10 => 114.0], [], [[0, 20, 114, 0]]];
        yield 'a rise at a load that goes' => [
            $every(500, 60), [0 => 20.0, 30 => 0.0], [30 => 130.0, 31 => 126.0], [], [[20, 0, 130, 0.5]],
        ];
        yield 'one that does not come back in its window' => [
            $every(500, 40), [10 => 20.0], array_fill(10, 21, 110.0), ['not-recovered'], [[0, 20, 110, null]],
        ];
        yield 'polled at half a second' => [$every(500, 40), [10 => 20.0], [], [], [[0, 20, 120, 0]]];
        yield 'polled too slowly for a step' => [$every(501, 40), [10 => 20.0], [], ['polls-too-slow'], [[0, 20, 120, 0]]];
        yield 'slowly, and no step' => [$every(2000, 40), [], [], [], []];
        yield 'a gap of five seconds' => [[0, 500, 1000, 6000, 6500, 7000], [], [], [], []];
        yield 'a longer one' => [[0, 500, 1000, 6001, 6501, 7001], [], [], ['poll-gap'], []];
        yield 'slow polls: a gap of five of them' => [[0, 1200, 2400, 8400, 9600, 10_800], [], [], [], []];
        yield 'slow polls: more' => [[0, 1200, 2400, 8401, 9601, 10_801], [], [], ['poll-gap'], []];
        yield 'steps at ten seconds overlap' => [$every(500, 60), [10 => 10.0, 30 => 20.0], [], ['steps-overlap'], [
            [0, 10, 120, 0], [10, 20, 120, 0],
        ]];
        yield 'half a second later they do not' => [$every(500, 60), [10 => 10.0, 31 => 20.0], [], [], [
            [0, 10, 120, 0], [10, 20, 120, 0],
        ]];
    }
}
