<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\RelayLogic;

use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\RelayCheck;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\RelayCheckReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The very edges of what a played or landed circuit is judged by. Rule: docs/rules.md#relay-play. */
final class RelayPlayEdgesTest extends TestCase
{
    private const B = 'standard B, mains and generator: outage';
    private const SLOW = 'interlock missing, a slow contactor';

    /** @param list<string> $expected */
    #[Test, DataProvider('lost')]
    public function a_lost_phase_is_told_when_it_lasted_over_a_second(int $ms, array $expected): void
    {
        $run = self::play('coils on line voltage, one phase lost', [
            ['at_ms' => 5000, 'do' => 'lose_phase', 'supply' => 'mains', 'phase' => 2],
            ['at_ms' => 5000 + $ms, 'do' => 'restore', 'supply' => 'mains'],
        ]);
        self::assertSame($expected, self::told($run));
    }

    /** @return iterable<string, array{int, list<string>}> */
    public static function lost(): iterable
    {
        yield 'a second' => [1000, []];
        yield 'over a second' => [1001, [
            'The load ran on fewer than all phases for 1001 ms.',
            'A coil was held below 85 % of its voltage for 1001 ms: K1.',
        ]];
    }

    #[Test]
    public function a_coil_at_the_voltage_it_bears_is_not_weak(): void
    {
        $blind = ['times' => ['PFM' => ['loss_pct' => null, 'under_pct' => null]]];
        foreach (['195.5' => 0, '195.4' => 1] as $volts => $count) {
            $low = [['at_ms' => 5000, 'do' => 'set_supply', 'supply' => 'mains', 'v' => (float) $volts]];
            $ids = array_column(self::play(self::B, $low, $blind)['findings'], 'id');
            self::assertCount($count, array_keys($ids, 'coil-undervoltage'), "$volts V of 230 V");
        }
    }

    /** 36 020 ms: the return delay from the relay's verdict, then the coil; 36 085 ms: the slow one lets go. */
    #[Test, DataProvider('hurting')]
    public function both_are_live_where_each_has_a_tenth_of_its_voltage(float $volts, bool $isLive): void
    {
        $run = self::play(self::SLOW, [
            ['at_ms' => 2000, 'do' => 'set_supply', 'supply' => 'mains', 'v' => 0],
            ['at_ms' => 30_000, 'do' => 'restore', 'supply' => 'mains'],
            ['at_ms' => 36_010, 'do' => 'set_supply', 'supply' => 'gen', 'v' => $volts],
        ], ['supplies' => ['gen' => ['v' => 230]]]);
        self::assertSame([['from_ms' => 36_020, 'to_ms' => 36_085, 'ms' => 65, 'both_live' => $isLive]], $run['both_closed']);
    }

    /** @return iterable<string, array{float, bool}> */
    public static function hurting(): iterable
    {
        yield 'a tenth' => [23.0, true];
        yield 'under a tenth' => [22.9, false];
    }

    /** Ten seconds each of cranking and of rest where nothing else is said. */
    #[Test]
    public function a_set_without_times_locks_out_after_three_attempts(): void
    {
        $run = self::play('standard B: the set does not start', [
            ['at_ms' => 0, 'do' => 'crank_failures', 'supply' => 'gen', 'count' => 3],
            ['at_ms' => 10_000, 'do' => 'set_supply', 'supply' => 'mains', 'v' => 0],
        ], ['supplies' => ['gen' => ['engine' => new \stdClass()]]]);
        $at = array_column($run['events'], 't_ms', 'kind');
        self::assertSame(50_000, $at['engine_locked_out'] - $at['engine_called']);
    }

    #[Test]
    public function a_source_of_one_phase_comes_back_as_one(): void
    {
        $run = self::play('one phase: push-button', [
            ['at_ms' => 1000, 'do' => 'lose_phase', 'supply' => 'mains', 'phase' => 1],
            ['at_ms' => 1010, 'do' => 'restore', 'supply' => 'mains'],
        ]);
        self::assertSame([1, 1, 1], array_map(static fn(array $load): int => count($load['phases']), $run['load']));
        self::assertSame([10], $run['phase_dark_ms']);
    }

    #[Test]
    public function a_search_tells_how_far_it_is_and_keeps_under_its_bound(): void
    {
        $circuit = (new RelayCheckReader())->circuit(Node::fromJson((string) json_encode(self::input(self::B)['circuit'])));
        $told = [];
        $result = (new RelayCheck())->check($circuit, function (int $done, int $all) use (&$told): void {
            $told[] = "$done of $all";
        });
        $count = count($result->faults);
        self::assertSame(array_map(static fn(int $i): string => "$i of $count", range(1, $count)), $told);
        self::assertSame(288, $circuit->mostStates(), 'two sources, three relays of two values, two contactors of three');
        self::assertLessThanOrEqual($circuit->mostStates(), $result->reachableStates);
    }

    /** @param list<string> $expected */
    #[Test, DataProvider('labels')]
    public function digits_say_what_kind_of_contact_it_is(string $device, string $from, string $to, array $expected): void
    {
        $text = (string) json_encode(self::input($device === 'KH' ? 'one phase: push-button' : self::B)['circuit']);
        self::assertStringContainsString($from, $text);
        $circuit = json_decode(str_replace($from, $to, $text), true);
        $region = $device === 'KH' ? 'us_split_120_240' : 'iec_400_230';
        $findings = self::calc('terminal_list', ['circuit' => $circuit, 'region' => $region])['findings'];
        $told = array_filter($findings, static fn(array $finding): bool => $finding['id'] === 'contact-label-form');
        self::assertSame($expected, array_column($told, 'at'));
    }

    /** @return iterable<string, array{string, string, string, list<string>}> */
    public static function labels(): iterable
    {
        yield 'closed of a contactor as closed' => ['K1', '"nc":"K1","contact":"21-22"', '"nc":"K1","contact":"51-52"', []];
        yield 'closed of a contactor as open' => ['K1', '"nc":"K1","contact":"21-22"', '"nc":"K1","contact":"53-54"', ['K1']];
        yield 'open of a relay as its own' => ['KH', '{"no":"S2"},{"no":"KH"}', '{"no":"S2"},{"no":"KH","contact":"11-14"}', []];
        yield 'open of a relay as of a contactor' => ['KH', '{"no":"S2"},{"no":"KH"}', '{"no":"S2"},{"no":"KH","contact":"13-14"}', []];
        yield 'open of a relay as of a timer' => ['KH', '{"no":"S2"},{"no":"KH"}', '{"no":"S2"},{"no":"KH","contact":"15-18"}', ['KH']];
        yield 'closed of a relay as open' => ['KH', '{"nc":"KH"}', '{"nc":"KH","contact":"23-24"}', ['KH']];
    }

    /**
     * @param list<array<string, mixed>> $script
     * @param array<string, mixed>       $more
     *
     * @return array<string, mixed>
     */
    private static function play(string $case, array $script, array $more = []): array
    {
        return self::calc('relay_play', ['script' => $script] + $more + self::input($case));
    }

    /** @return array<string, mixed> of a case of the chapter */
    private static function input(string $case): array
    {
        foreach (CaseFile::read('panel') as $name => [$one]) {
            if ($one->calc === 'relay_play' && str_contains((string) $name, $case)) {
                return (array) $one->input;
            }
        }
        self::fail("no case: $case");
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private static function calc(string $name, array $input): array
    {
        return CaseFile::asArray((new Calculations())->calc($name, Node::fromJson((string) json_encode($input))));
    }

    /**
     * @param array<string, mixed> $run
     *
     * @return list<string>
     */
    private static function told(array $run): array
    {
        return array_column($run['findings'], 'message');
    }
}
