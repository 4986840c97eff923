<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Bench\BenchPlay;
use Escapement\Core\Bench\LiveBench;
use Escapement\Core\Bench\LogLine;
use Escapement\Core\Input\Node;
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
