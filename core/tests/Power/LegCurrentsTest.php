<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\LegCurrents;
use Escapement\Core\Power\LegLoad;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What loads put on the legs of 120/240 V and 120/208 V, worked by hand. Rule: docs/rules.md#legs. */
final class LegCurrentsTest extends TestCase
{
    /**
     * @param list<LegLoad> $loads
     * @param list<float>   $legs  by phasors
     * @param list<float>   $plain by plain sums
     */
    #[Test, DataProvider('loads')]
    public function amperes_add_as_phasors(string $system, array $loads, float $kvar, array $legs, array $plain, float $neutralA): void
    {
        $currents = new LegCurrents(LegSystem::of($system, 120.0), $loads);
        self::assertEqualsWithDelta($kvar, $currents->kvar, 1e-6);
        foreach ($legs as $leg => $amps) {
            self::assertEqualsWithDelta($amps, $currents->legA[$leg], 0.005, 'L' . ($leg + 1));
            self::assertEqualsWithDelta($plain[$leg], $currents->arithmeticA[$leg], 0.005, 'L' . ($leg + 1));
        }
        self::assertEqualsWithDelta($neutralA, $currents->neutralA, 0.005);
    }

    /** @return iterable<string, array{string, list<LegLoad>, float, list<float>, list<float>, float}> */
    public static function loads(): iterable
    {
        yield 'a load behind' => ['split', [new LegLoad('a', 1.44, 'L1', 0.6)], 1.92, [20, 0], [20, 0], 20];
        yield 'a load ahead' => ['split', [new LegLoad('a', 1.44, 'L1', 0.6, isLeading: true)], -1.92, [20, 0], [20, 0], 20];
        yield 'one behind and one ahead take each other away' => ['split', [
            new LegLoad('a', 1.44, 'L1', 0.6), new LegLoad('b', 1.44, 'L1', 0.6, isLeading: true),
        ], 0, [24, 0], [40, 0], 24];
        yield 'two alike on two legs' => ['split', [new LegLoad('a', 1.2, 'L1'), new LegLoad('b', 1.2, 'L2')], 0, [10, 10], [10, 10], 0];
        yield 'across both' => ['split', [new LegLoad('a', 2.4, 'L1L2')], 0, [10, 10], [10, 10], 0];
        yield 'at a right angle' => ['split', [
            new LegLoad('a', 0.864, 'L1', 0.6), new LegLoad('b', 1.536, 'L1', 0.8, isLeading: true),
        ], 0, [20, 0], [28, 0], 20];
        yield 'third harmonics of one leg' => ['split', [new LegLoad('a', 1.2, 'L1', triplenPct: 75)], 0, [10, 0], [10, 0], 12.5];
        yield 'of two legs they go' => ['split', [
            new LegLoad('a', 1.2, 'L1', triplenPct: 75), new LegLoad('b', 1.2, 'L2', triplenPct: 75),
        ], 0, [10, 10], [10, 10], 0];
        yield 'of three they add' => ['three', [
            new LegLoad('a', 1.2, 'L1', triplenPct: 30), new LegLoad('b', 1.2, 'L2', triplenPct: 30),
            new LegLoad('c', 1.2, 'L3', triplenPct: 30),
        ], 0, [10, 10, 10], [10, 10, 10], 9];
        yield 'all three' => ['three', [new LegLoad('a', 3.6, '3P')], 0, [10, 10, 10], [10, 10, 10], 0];
        yield 'across two of three: 208 V' => ['three', [new LegLoad('a', 2.0784610, 'L2L3')], 0, [0, 10, 10], [0, 10, 10], 0];
    }
}
