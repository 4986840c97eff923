<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Panel;

use Escapement\Core\Panel\PhaseBalance\LegAnalysis;
use Escapement\Core\Panel\PhaseBalance\PanelWay;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What ways put on legs and neutral, against figures worked by hand with phasors. Rule: docs/rules.md#phase-balance. */
final class LegAnalysisTest extends TestCase
{
    /**
     * @param list<array{string, float, float}> $ways connection, amperes, power factor; below zero: leading
     * @param list<float>                       $legs
     */
    #[Test, DataProvider('loads')]
    public function legs_and_neutral_carry_the_sum_of_their_phasors(array $ways, array $legs, float $neutralA, float $i2A): void
    {
        $analysis = LegAnalysis::of(array_map(
            static fn(array $one): PanelWay => new PanelWay('w', $one[0], $one[1], abs($one[2]), $one[2] < 0, 0.0, false, false),
            $ways,
        ));
        foreach ($legs as $i => $amps) {
            self::assertEqualsWithDelta($amps, $analysis->legA[$i], 0.01, 'L' . ($i + 1));
        }
        self::assertEqualsWithDelta($neutralA, $analysis->neutralFundamentalA, 0.01);
        self::assertEqualsWithDelta($i2A, $analysis->i2A, 0.01);
    }

    /** @return iterable<string, array{list<array{string, float, float}>, list<float>, float, float}> */
    public static function loads(): iterable
    {
        yield 'three alike' => [[['L1', 10, 1], ['L2', 10, 1], ['L3', 10, 1]], [10, 10, 10], 0, 0];
        yield 'one leg' => [[['L1', 10, 1]], [10, 0, 0], 10, 10 / 3];
        yield 'two legs, of unity' => [[['L1L2', 10, 1]], [10, 10, 0], 0, 10 / sqrt(3)];
        // 10∠0° and 10∠30° make 10 √(2 + √3) = 19.32 on L1; 10∠−120° and 10∠−150° as much on L2.
        // Turned by α², what is on L2 stands at a right angle to L1 in all three: the negative sequence is a third of the hypotenuse.
        yield 'a leg and two, of unity' => [[['L1', 10, 1], ['L1L2', 10, 1], ['L2', 10, 1]], [19.32, 19.32, 0], 10, 9.11];
        // 60° behind: 10∠30° − 60° = 10∠−30° beside 10∠0°, the same on L1; on L2 10∠150° and 10∠−120°: at a right angle.
        yield 'two legs, behind by 60°' => [[['L1', 10, 1], ['L1L2', 10, 0.5], ['L2', 10, 1]], [19.32, 14.14, 0], 10, 7.98];
        // 60° ahead: 10∠90° beside 10∠0°: at a right angle; on L2 10∠−90° and 10∠−120°.
        yield 'two legs, ahead by 60°' => [[['L1', 10, 1], ['L1L2', 10, -0.5], ['L2', 10, 1]], [14.14, 19.32, 0], 10, 7.98];
        yield 'a leg behind by 90° beside one of unity' => [[['L1', 3, 0.0], ['L1', 4, 1]], [5, 0, 0], 5, 5 / 3];
        yield 'one behind and one ahead' => [[['L1', 3, 0.6], ['L1', 3, -0.6]], [3.6, 0, 0], 3.6, 1.2];
    }
}
