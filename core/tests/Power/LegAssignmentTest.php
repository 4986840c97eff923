<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\LegAssignment;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class LegAssignmentTest extends TestCase
{
    /**
     * @param list<array{id: string, kw: float, connect: ?string}> $loads
     * @param array<string, string>                                $connects
     */
    #[Test, DataProvider('lists')]
    public function a_small_load_sits_on_one_leg(string $system, float $vLn, array $loads, array $connects, int $assumed): void
    {
        $legs = new LegAssignment(LegSystem::of($system, $vLn), $loads);
        foreach ($connects as $id => $connect) {
            self::assertSame($connect, $legs->loads[$id]['connect'], $id);
        }
        self::assertCount($assumed, $legs->assumptions());
    }

    /** @return iterable<string, array{string, float, list<array{id: string, kw: float, connect: ?string}>, array<string, string>, int}> */
    public static function lists(): iterable
    {
        $load = static fn(string $id, float $kw, ?string $connect = null): array => ['id' => $id, 'kw' => $kw, 'connect' => $connect];
        yield 'small ones go to the lighter leg, in turn' => [
            'split', 120, [$load('a', 1), $load('b', 1), $load('c', 1)], ['a' => 'L1', 'b' => 'L2', 'c' => 'L1'], 3,
        ];
        yield 'what was surveyed is counted first' => ['split', 120, [$load('a', 1), $load('b', 1.5, 'L1')], ['a' => 'L2', 'b' => 'L1'], 1];
        yield '16 A still sits on one leg' => ['split', 120, [$load('a', 1.92)], ['a' => 'L1'], 1];
        yield 'more does not' => ['split', 120, [$load('a', 1.93)], ['a' => 'L1L2'], 1];
        yield 'at 230 V one phase carries more' => ['three', 230, [$load('a', 3.6), $load('b', 4)], ['a' => 'L1', 'b' => '3P'], 2];
        yield 'a third phase on a split service is not known, and is assumed' => [
            'split', 120, [$load('a', 1, 'L3'), $load('b', 9, '3P')], ['a' => 'L1', 'b' => 'L1L2'], 2,
        ];
        yield 'with one leg there is nothing to assume' => ['single', 120, [$load('a', 5)], ['a' => 'L1'], 0];
    }

    #[Test]
    public function two_equal_loads_on_two_legs_are_balanced_and_one_alone_is_not(): void
    {
        $legs = (new LegAssignment(
            LegSystem::of('split', 120),
            [['id' => 'a', 'kw' => 1.0, 'connect' => null], ['id' => 'b', 'kw' => 1.0, 'connect' => null]],
        ))->loads;
        self::assertNotSame($legs['a']['connect'], $legs['b']['connect']);
    }
}
