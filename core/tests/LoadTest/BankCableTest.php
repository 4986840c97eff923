<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\LoadTest\BankCable;
use Escapement\Core\LoadTest\ClosedTest;
use Escapement\Core\LoadTest\CountingTests;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The cables of a load bank; and which tests count. */
final class BankCableTest extends TestCase
{
    /**
     * @param 1|2|3        $phases
     * @param list<string> $ids
     */
    #[Test, DataProvider('banks')]
    public function the_largest_step_decides(
        float $kw,
        float $v,
        int $phases,
        ?float $setA,
        ?float $ratedV,
        float $amps,
        array $ids,
    ): void {
        $cable = new BankCable($kw, $v, $phases, $setA, $ratedV);
        self::assertEqualsWithDelta($amps, $cable->amps, 0.05);
        self::assertEqualsWithDelta(1.25 * $amps, $cable->leastA, 0.07, 'it is held for long');
        self::assertGreaterThanOrEqual($cable->leastA, $cable->conductor->ampacityA);
        self::assertSame($ids, array_map(static fn(Finding $one): string => $one->id, $cable->findings));
    }

    /** @return iterable<string, array{float, float, 1|2|3, ?float, ?float, float, list<string>}> */
    public static function banks(): iterable
    {
        yield 'three phases' => [80.0, 400.0, 3, 300.0, 400.0, 115.47, []];
        yield 'between two legs' => [12.0, 240.0, 2, null, null, 50.0, []];
        yield 'one phase' => [3.0, 120.0, 1, 31.25, 120.0, 25.0, []];
        yield 'a set too small by a hair' => [3.0, 120.0, 1, 31.2, 120.0, 25.0, ['bank-cable-small']];
        yield 'too many volts' => [12.0, 240.0, 2, null, 208.0, 50.0, ['bank-volts']];
        yield 'at the edge' => [12.0, 231.0, 2, null, 210.0, 51.95, []];
        yield 'fewer volts' => [12.0, 208.0, 2, null, 240.0, 57.69, ['bank-gives-less']];
    }

    /**
     * @param list<array{string, float}> $closed verdict and highest level, in order
     * @param list<int>                  $counting
     */
    #[Test, DataProvider('histories')]
    public function a_failure_stands_until_as_much_has_passed(array $closed, array $counting): void
    {
        $tests = array_map(
            static fn(array $one, int $i): ClosedTest => new ClosedTest($i, $one[0], $one[1]),
            $closed,
            array_keys($closed),
        );
        $found = new CountingTests($tests);
        self::assertSame($counting, array_map(static fn(ClosedTest $one): int => $one->id, $found->tests));
        self::assertSame($counting === [] ? null : $counting[count($counting) - 1], $found->standing()?->id);
    }

    /** @return iterable<string, array{list<array{string, float}>, list<int>}> */
    public static function histories(): iterable
    {
        yield 'none' => [[], []];
        yield 'passed twice' => [[['pass', 75], ['pass', 30]], [0, 1]];
        yield 'a light run after a failure' => [[['fail', 100], ['pass', 20]], [0]];
        yield 'the same level again' => [[['fail', 100], ['pass', 20], ['pass', 100]], [0, 2]];
        yield 'the higher failure stays' => [[['fail', 100], ['fail', 50], ['pass', 75]], [0, 1]];
        yield 'not proven says nothing' => [[['pass', 75], ['not_proven', 100]], [0]];
    }
}
