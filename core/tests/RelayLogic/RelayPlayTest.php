<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What holds of every circuit that is played, beside the cases of its chapter. Rule: docs/rules.md#relay-play. */
final class RelayPlayTest extends TestCase
{
    /** @param array<string, mixed> $input */
    #[Test, DataProvider('circuits')]
    public function what_a_covered_run_reaches_the_proof_has_seen(array $input): void
    {
        $seen = 0;
        for ($seed = 1; $seed <= 12; $seed++) {
            $run = self::calc('relay_play', self::disturbed($input, $seed));
            if ($run['covered_by_proof'] && $run['both_closed'] !== []) {
                self::assertTrue(self::calc('relay_check', $input['circuit'])['both_closed_reachable'], "seed $seed");
            }
            $seen += count($run['events']);
        }
        self::assertGreaterThan(12, $seen, 'the disturbances do something');
    }

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('circuits')]
    public function a_run_is_told_in_order_and_its_times_add_up(array $input): void
    {
        for ($seed = 1; $seed <= 4; $seed++) {
            $run = self::calc('relay_play', self::disturbed($input, $seed));
            $times = array_column($run['events'], 't_ms');
            $sorted = $times;
            sort($sorted);
            self::assertSame($sorted, $times);
            self::assertSame($run['dark_ms'], array_sum(array_map(
                static fn(array $span): int => $span['to_ms'] - $span['from_ms'],
                $run['dark'],
            )));
            self::assertLessThanOrEqual($run['dark_ms'], min($run['phase_dark_ms']), 'a dark phase is a dark bus');
            foreach ($run['tracks'] as $track) {
                self::assertCount(count(array_unique(array_column($track, 't_ms'))), $track, 'one value an end of millisecond');
            }
        }
    }

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('circuits')]
    public function other_names_of_the_sources_change_nothing(array $input): void
    {
        [$a, $b] = array_column($input['circuit']['supplies'], 'id');
        $text = str_replace(["\"$a\"", "\"$b\""], ['"zz1"', '"zz2"'], (string) json_encode(self::disturbed($input, 3)));
        $renamed = CaseFile::asArray((new Calculations())->calc('relay_play', Node::fromJson($text)));
        $plain = self::calc('relay_play', self::disturbed($input, 3));
        foreach (['tracks', 'dark', 'phase_dark_ms', 'both_closed', 'hunting', 'ended_ms'] as $key) {
            self::assertSame($plain[$key], $renamed[$key], $key);
        }
    }

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('circuits')]
    public function every_wire_of_its_list_ends_at_a_point_of_its_net(array $input): void
    {
        $regions = $input['circuit']['phases'] === 3 ? ['iec_400_230', 'us_480y_277'] : ['us_split_120_240'];
        foreach ($regions as $region) {
            $list = self::calc('terminal_list', ['circuit' => $input['circuit'], 'region' => $region]);
            $ends = [];
            foreach ($list['wires'] as $wire) {
                if ($wire['kind'] !== 'tap') {
                    $ends[$wire['from']][$wire['number']] = true;
                    $ends[$wire['to']][$wire['number']] = true;
                }
            }
            foreach ($list['cross_reference'] as $device) {
                foreach ($device['contacts'] as $contact) {
                    [$first, $second] = explode('-', $contact['terminals']);
                    self::assertArrayHasKey($contact['a'], $ends["{$device['device']}:$first"]);
                    self::assertArrayHasKey($contact['b'], $ends["{$device['device']}:$second"]);
                }
            }
        }
    }

    #[Test, DataProvider('wrong')]
    public function a_wrong_run_is_told_at_its_place(string $path, string $key, mixed $value): void
    {
        $all = iterator_to_array(self::circuits());
        $input = $all[implode('', preg_grep('/standard B, mains and generator: outage/', array_keys($all)) ?: [])][0];
        $input[$key] = $value;
        try {
            self::calc('relay_play', $input);
            self::fail('taken');
        } catch (BadInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{string, string, mixed}> */
    public static function wrong(): iterable
    {
        yield 'a supply that is not there' => ['/supplies/sun', 'supplies', ['sun' => []]];
        yield 'volts of an engine' => ['/supplies/gen/v', 'supplies', ['gen' => ['engine' => ['crank_ms' => 1], 'v' => 230]]];
        yield 'two phases of three' => ['/supplies/mains/v', 'supplies', ['mains' => ['v' => [230, 230]]]];
        yield 'times of a start' => ['/times/START', 'times', ['START' => ['pick_ms' => 3]]];
        yield 'travel longer than the pick-up' => ['/times/K1/travel_ms', 'times', ['K1' => ['pick_ms' => 4]]];
        yield 'holds at more than it picks' => ['/times/K1/hold_pct', 'times', ['K1' => ['pick_pct' => 50, 'hold_pct' => 51]]];
        yield 'a selector that is not there' => ['/initial/selector', 'initial', ['selector' => 'auto']];
        yield 'a hand without a handle' => ['/script/0/do', 'script', [['at_ms' => 1, 'do' => 'hand', 'to' => 'I']]];
        yield 'nothing set' => ['/script/0/v', 'script', [['at_ms' => 1, 'do' => 'set_supply', 'supply' => 'mains']]];
        yield 'a phase of a weld' => [
            '/script/0/phase', 'script', [['at_ms' => 1, 'do' => 'fault', 'kind' => 'weld', 'at' => 'K1', 'phase' => 1]],
        ];
        yield 'a weld of a timer' => ['/script/0/at', 'script', [['at_ms' => 1, 'do' => 'fault', 'kind' => 'weld', 'at' => 'T1']]];
        yield 'a trip of mains' => ['/script/0/supply', 'script', [['at_ms' => 1, 'do' => 'engine_trip', 'supply' => 'mains']]];
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function circuits(): iterable
    {
        foreach (CaseFile::read('panel') as $name => [$case]) {
            if ($case->calc === 'relay_play' && ! isset($case->expect->error)) {
                yield (string) $name => [CaseFile::asArray($case->input)];
            }
        }
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed> the same circuit, hit at odd moments
     */
    private static function disturbed(array $input, int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $sources = array_filter(
            array_column($input['circuit']['supplies'], null, 'id'),
            static fn(array $supply): bool => ($supply['always'] ?? false) === false
                && ! isset($input['supplies'][$supply['id']]['engine']),
        );
        $script = [];
        $at = 0;
        for ($i = 0; $i < 25; $i++) {
            $at += $random->getInt(1, 3000) ** ($random->getInt(0, 1) === 0 ? 1 : 0) + $random->getInt(0, 60);
            $supply = array_keys($sources)[$random->getInt(0, count($sources) - 1)];
            $phase = $random->getInt(1, $input['circuit']['phases']);
            $script[] = ['at_ms' => $at] + match ($random->getInt(0, 3)) {
                0 => ['do' => 'set_supply', 'supply' => $supply, 'v' => $random->getInt(0, 260)],
                1 => ['do' => 'lose_phase', 'supply' => $supply, 'phase' => $phase],
                2 => ['do' => 'reverse', 'supply' => $supply],
                default => ['do' => 'restore', 'supply' => $supply],
            };
        }

        return ['script' => $script, 'until_ms' => $at + 60_000] + $input;
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private static function calc(string $name, array $input): array
    {
        foreach (['supplies', 'times', 'initial'] as $map) {
            if (is_array($input[$map] ?? null) && $name === 'relay_play') {
                $input[$map] = self::maps($input[$map]);
            }
        }

        return CaseFile::asArray((new Calculations())->calc($name, Node::fromArray($input)));
    }

    /**
     * An empty map is an object.
     *
     * @param array<array-key, mixed> $map
     */
    private static function maps(array $map): \stdClass
    {
        return (object) array_map(
            static fn(mixed $one): mixed => is_array($one) && ! array_is_list($one) || $one === [] ? self::maps($one) : $one,
            $map,
        );
    }
}
