<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Bench\BenchPlay;
use Escapement\Core\Bench\LiveBench;
use Escapement\Core\Bench\LogLine;
use Escapement\Core\Bench\Supervisor;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\Node;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Device\BenchInputReader;
use Escapement\Core\Wire\Device\BenchReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Whatever a hand does to a bench that goes on, the script of it played at once gives the same events and the same meters. */
final class LiveBenchTest extends TestCase
{
    #[Test, DataProvider('cases')]
    public function a_bench_that_goes_on_ends_as_its_script_played_at_once(\stdClass $case): void
    {
        $input = (array) $case;
        $inputs = $input['inputs'];
        $live = self::live($input);
        $reader = self::reader($input);
        foreach ($inputs as $one) {
            $live->advanceTo(max($live->nowMs(), $one->at_ms - 7)); // somebody looks a moment before
            $live->act(...$reader->read(new Node($one)));
        }
        $live->advanceTo($input['until_ms']);
        $sample = $live->sample();
        $played = (new BenchPlay((new BenchReader())->input(self::node(['sample_at_ms' => [$input['until_ms']]] + $input))))->play();

        self::assertEqualsWithDelta(self::numbers($played->values['samples'][0]), self::numbers($sample), 1e-6);
        $logged = array_values(array_filter($live->log(), static fn(LogLine $line): bool => $line->kind !== 'input'));
        self::assertSame(
            self::kinds(array_slice($played->values['events'], -LiveBench::RING)),
            self::kinds(array_map(static fn(LogLine $line): array => $line->toArray(), $logged)),
        );
    }

    #[Test]
    public function a_second_hand_in_the_same_millisecond_acts_with_the_first(): void
    {
        $input = self::first();
        $live = self::live($input);
        $reader = self::reader($input);
        $live->advanceTo(5000);
        foreach ([['do' => 'utility_disconnect', 'open' => true], ['do' => 'door', 'open' => true], ['do' => 'utility_disconnect',
            'open' => false]] as $one) {
            $live->act(...$reader->read(self::node(['at_ms' => 5000] + $one)));
        }
        $live->advanceTo(200_000);

        self::assertSame('normal', $live->sample()['position']);
        self::assertTrue($live->isAtRest());
        self::assertContains('door_open', $live->sample()['alarms']);
        self::assertCount(3, array_filter($live->log(), static fn(LogLine $line): bool => $line->kind === 'input'));
    }

    #[Test]
    public function a_supervisor_looks_every_second_while_the_engine_is_at_work_and_else_when_something_is_due(): void
    {
        $input = self::first();
        $live = self::live($input);
        $set = (new BenchReader())->input(self::node(['inputs' => [], 'sample_at_ms' => []] + $input))->generator;
        self::assertNotNull($set);
        $supervisor = new Supervisor($set);
        $live->advanceTo(1500);
        self::assertSame(90_000, $supervisor->next($live, 90_000), 'nothing is due, and it stands');
        self::assertSame(1500, $supervisor->next($live, 1500));
        $live->act(...self::reader($input)->read(self::node(['at_ms' => 1500, 'do' => 'utility_disconnect', 'open' => true])));
        $due = $supervisor->next($live, 90_000);
        self::assertGreaterThan(1500, $due);
        self::assertSame($live->motion->nextMs(), $due, 'the next thing that happens');
        $live->advanceTo(40_300);
        self::assertSame('running', $live->motion->state->engine);
        self::assertSame([41_000, 40_400], [$supervisor->next($live, 90_000), $supervisor->next($live, 40_400)]);
        $live->advanceTo(41_000);
        self::assertSame(42_000, $supervisor->next($live, 90_000));
    }

    #[Test]
    public function what_happened_is_what_is_told(): void
    {
        $input = ['inputs' => [['at_ms' => 1000, 'do' => 'utility_disconnect', 'open' => true]], 'sample_at_ms' => []] + self::first();
        $play = new BenchPlay((new BenchReader())->input(self::node($input)));
        $told = $play->play();
        self::assertEqualsCanonicalizing(
            array_column($told->values['events'], 'kind'),
            array_map(static fn(Event $event): string => $event->kind()->value, $play->happened()),
        );
        self::assertSame(['Deepest dip of one step'], array_map(static fn(WorkingLine $line): string => $line->label, $told->working));
        self::assertGreaterThan(1.0, $told->working[0]->value, 'percent');
    }

    #[Test]
    public function numbers_of_the_log_rise_and_none_is_used_twice(): void
    {
        $input = self::first();
        $live = self::live($input);
        $live->act(...self::reader($input)->read(self::node(['at_ms' => 1000, 'do' => 'utility_disconnect', 'open' => true])));
        $live->advanceTo(120_000);
        $seqs = array_map(static fn(LogLine $line): int => $line->seq, $live->log());

        self::assertSame(range(1, count($seqs)), $seqs);
        self::assertFalse($live->isAtRest());
        self::assertSame(array_slice($seqs, 2, 3), array_map(static fn(LogLine $line): int => $line->seq, $live->log(3, 3)));
    }

    #[Test]
    public function a_coil_reads_as_the_hand_left_it(): void
    {
        $input = self::first();
        $input['bench'] = (object) (['bank' => (object) ['elements_kw' => [1, 1]]] + (array) $input['bench']);
        $reader = self::reader($input);
        foreach (require dirname(__DIR__, 2) . '/data/bench_coils.php' as $coil) {
            $hasPart = ! in_array($coil->on['do'], ['hand_start', 'ct', 'bank'], true)
                || ($coil->on['element'] ?? 9) < 2 || ($coil->on['phase'] ?? 9) < 3;
            if (! $hasPart) {
                continue;
            }
            $live = self::live($input);
            $live->act(...$reader->read(self::node(['at_ms' => 1000] + $coil->on)));
            $live->advanceTo(1000);
            $stays = ! in_array($coil->on['do'], ['engine_reset', 'engine_trip'], true);
            self::assertSame($stays, $coil->isOn($live), $coil->name);
            if ($coil->off !== null) {
                $live->act(...$reader->read(self::node(['at_ms' => 2000] + $coil->off)));
                self::assertFalse($coil->isOn($live), "$coil->name, undone");
            }
        }
    }

    /** @param list<array<string, mixed>> $hands */
    #[Test, DataProvider('rests')]
    public function settings_may_be_changed_only_while_nothing_moves_turns_or_is_timed(array $hands, int $atMs, bool $isAtRest): void
    {
        $live = self::live(self::first());
        foreach ($hands as $hand) {
            $live->act(...self::reader(self::first())->read(self::node($hand)));
        }
        $live->advanceTo($atMs);
        self::assertSame($atMs, $live->nowMs());
        self::assertSame($isAtRest, $live->isAtRest());
        $live->advanceTo($atMs - 1);
        self::assertSame($atMs, $live->nowMs(), 'a time that is over does nothing');
    }

    /** @return iterable<string, array{list<array<string, mixed>>, int, bool}> */
    public static function rests(): iterable
    {
        $open = ['at_ms' => 1000, 'do' => 'utility_disconnect', 'open' => true];
        $test = ['at_ms' => 1000, 'do' => 'test', 'with_load' => false];
        yield 'at the beginning' => [[], 1, true];
        yield 'while a delay runs' => [[$open], 2000, false];
        yield 'while it is dark and cranks' => [[$open], 8000, false];
        yield 'on the generator' => [[$open], 400_000, false];
        yield 'in a test without load' => [[$test], 60_000, false];
        yield 'the selector off in the dark' => [[['at_ms' => 500, 'do' => 'selector', 'to' => 'off'], $open], 400_000, true];
    }

    #[Test]
    public function a_line_of_the_log_is_kept_and_read_again_as_it_was(): void
    {
        $line = new LogLine(7, 1234, 'timer_started', ['timer' => 'start_delay', 'ms' => 5000, 'on' => true, 'kw' => 4.0], 'It is dark.');
        self::assertEquals($line, LogLine::fromArray($line->toArray()));
        self::assertSame(
            ['seq' => 7, 't_ms' => 1234, 'kind' => 'timer_started', 'timer' => 'start_delay', 'ms' => 5000, 'on' => true, 'kw' => 4.0,
                'because' => 'It is dark.'],
            $line->toArray(),
        );
        self::assertSame('timer=start_delay;ms=5000;on=true;kw=4.0', $line->detail());
        self::assertEquals(new LogLine(0, 0, '', ['seconds' => 3], ''), LogLine::fromArray(['seconds' => 3]));
    }

    #[Test]
    public function the_log_keeps_what_was_last_and_goes_on_counting(): void
    {
        $live = self::live(self::first());
        $reader = self::reader(self::first());
        self::assertSame(0, $live->lastSeq());
        for ($i = 1; $i <= 2 * LiveBench::RING + 1; $i++) {
            $live->act(...$reader->read(self::node(['at_ms' => $i, 'do' => 'door', 'open' => $i % 2 === 1])));
            if ($i === 2 * LiveBench::RING) {
                self::assertCount($i, $live->log());
            }
        }
        self::assertSame(2 * LiveBench::RING + 1, $live->lastSeq());
        self::assertCount(LiveBench::RING, $live->log());
        self::assertSame(LiveBench::RING + 2, $live->log()[0]->seq);
        self::assertSame(['do' => 'door', 'open' => true], $live->log()[LiveBench::RING - 1]->keys);
    }

    /** @return iterable<string, array{\stdClass}> */
    public static function cases(): iterable
    {
        foreach (CaseFile::read('bench') as $name => [$case]) {
            if ($case->calc === 'bench_play' && isset($case->expect->events)) {
                yield $name => [$case->input];
            }
        }
    }

    /** @return array<string, mixed> the first public case of a standby set */
    private static function first(): array
    {
        foreach (self::cases() as [$input]) {
            if ($input->system->kind === 'standby') {
                return ['inputs' => []] + (array) $input;
            }
        }
        self::fail('There is no case of a standby set.');
    }

    /** @param array<string, mixed> $input */
    private static function live(array $input): LiveBench
    {
        return new LiveBench((new BenchReader())->input(self::node(
            ['inputs' => [], 'sample_at_ms' => [], 'until_ms' => 31_536_000_000] + $input,
        )));
    }

    /** @param array<string, mixed> $input */
    private static function reader(array $input): BenchInputReader
    {
        $bench = (new BenchReader())->input(self::node(['inputs' => [], 'sample_at_ms' => []] + $input));

        return new BenchInputReader($bench->plant, $bench->loads, count($bench->elementsKw));
    }

    /** @param array<string, mixed> $value */
    private static function node(array $value): Node
    {
        return Node::fromJson(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /**
     * @param array<mixed> $sample
     *
     * @return array<string, mixed> by path
     */
    private static function numbers(array $sample, string $at = ''): array
    {
        $flat = [];
        foreach ($sample as $key => $value) {
            $flat += is_array($value) ? self::numbers($value, "$at/$key") : ["$at/$key" => $value];
        }

        return $flat;
    }

    /**
     * @param list<array<string, mixed>> $events
     *
     * @return list<string> by time and kind
     */
    private static function kinds(array $events): array
    {
        $kinds = array_map(static fn(array $one): string => sprintf('%012d %s', $one['t_ms'], $one['kind']), $events);
        sort($kinds);

        return $kinds;
    }
}
