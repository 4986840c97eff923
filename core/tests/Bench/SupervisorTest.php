<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Bench\BenchGenerator;
use Escapement\Core\Bench\Supervisor;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What happens to a set that nobody looks after: an empty tank, a minute of overload, a battery that folds. */
final class SupervisorTest extends TestCase
{
    private const TRIP = [['do' => 'generator_breaker', 'closed' => false]];
    private const NO_FUEL = [['do' => 'fuel', 'blocked' => true]];
    private const FOLDS = [['do' => 'crank_failures', 'count' => 1]];

    /** @param list<array{float, int, bool, list<array<string, mixed>>}> $looks kW, ms, breaker closed, what is done */
    #[Test, DataProvider('overloads')]
    public function a_minute_of_overload_without_a_break_opens_the_breaker(array $looks): void
    {
        $supervisor = new Supervisor(self::set(20.0, 12));
        foreach ($looks as $i => [$kw, $ms, $isClosed, $done]) {
            self::assertSame($done, $supervisor->look(['generator' => ['kw' => $kw]], $ms, false, $isClosed), "look $i");
        }
    }

    /** @return iterable<string, array{list<array{float, int, bool, list<array<string, mixed>>}>}> */
    public static function overloads(): iterable
    {
        yield 'a minute' => [[[22.1, 1000, true, []], [22.1, 60_999, true, []], [22.1, 61_000, true, self::TRIP]]];
        yield 'not more than a tenth over' => [[[22.0, 1000, true, []], [22.0, 61_000, true, []], [22.0, 200_000, true, []]]];
        yield 'with a break' => [[
            [30.0, 1000, true, []], [10.0, 31_000, true, []], [30.0, 32_000, true, []], [30.0, 91_000, true, []],
            [30.0, 92_000, true, self::TRIP],
        ]];
        yield 'it is open already' => [[[30.0, 1000, false, []], [30.0, 61_000, false, []]]];
        yield 'closed again, a minute from then' => [[
            [30.0, 0, true, []], [30.0, 60_000, true, self::TRIP], [30.0, 61_000, true, []], [30.0, 120_000, true, []],
            [30.0, 121_000, true, self::TRIP],
        ]];
    }

    #[Test]
    public function an_empty_tank_blocks_the_fuel_once(): void
    {
        $supervisor = new Supervisor(self::set(20.0, 12));
        self::assertSame([], $supervisor->look(['fuel_pct' => 0.01], 0, false, true));
        self::assertSame(self::NO_FUEL, $supervisor->look(['fuel_pct' => 0.0], 1000, false, true));
        self::assertSame([], $supervisor->look(['fuel_pct' => 0.0], 2000, true, true), 'it is blocked already');
        self::assertSame([], $supervisor->look(['fuel_pct' => null], 3000, false, true), 'without a tank nothing runs dry');
    }

    #[Test, DataProvider('batteries')]
    public function a_battery_that_folds_fails_one_attempt(int $nominalV, float $folds, float $holds): void
    {
        $supervisor = new Supervisor(self::set(20.0, $nominalV));
        $look = static fn(string $engine, float $volts): array => $supervisor->look(
            ['engine' => $engine, 'battery_v' => $volts],
            0,
            false,
            true,
        );
        self::assertSame([], $look('running', $folds), 'only while it cranks');
        self::assertSame([], $look('cranking', $holds));
        self::assertSame(self::FOLDS, $look('cranking', $folds));
        self::assertSame([], $look('cranking', $folds), 'once an attempt');
        self::assertSame([], $look('resting', $folds));
        self::assertSame(self::FOLDS, $look('cranking', $folds), 'and the next attempt again');
        self::assertSame([], (new Supervisor(self::set(20.0, $nominalV)))->look(['engine' => 'cranking'], 0, false, true), 'unread');
    }

    /** @return iterable<string, array{int, float, float}> nominal volts, folded, holding */
    public static function batteries(): iterable
    {
        yield '12 V' => [12, 9.99, 10.0];
        yield '24 V' => [24, 19.98, 20.0];
    }

    private static function set(float $kw, int $batteryV): BenchGenerator
    {
        return new BenchGenerator($kw, 0.25, 300, 500, 0, 0, 8, $kw, 'lp', 250, 80, 3000, $batteryV, 1, 20, 0, 0);
    }
}
