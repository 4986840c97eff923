<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Device;

use Escapement\Core\Device\Profile\DeviceProfile;
use Escapement\Core\Device\Profile\Place;
use Escapement\Core\Device\Profile\PlaceTable;
use Escapement\Core\Device\Profile\PlaceType;
use Escapement\Core\Device\Profile\Quantity;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Quantities, units, tables and types of a foreign device, typed a second time. Rule: docs/rules.md#device-profile. */
final class QuantityTest extends TestCase
{
    #[Test, DataProvider('units')]
    public function a_unit_is_turned_into_ours(Quantity $quantity, string $unit, float $theirs, float $ours): void
    {
        [$factor, $added] = $quantity->units()[$unit];
        self::assertEqualsWithDelta($ours, $theirs * $factor + $added, 1e-6);
    }

    /** @return iterable<string, array{Quantity, string, float, float}> */
    public static function units(): iterable
    {
        $two = [
            [Quantity::VoltsL2, 'V', 230, 230], [Quantity::Battery, 'mV', 12_600, 12.6], [Quantity::VoltsL3, 'kV', 0.4, 400],
            [Quantity::AmperesN, 'A', 5, 5], [Quantity::AmperesL1, 'mA', 1500, 1.5], [Quantity::AmperesL2, 'kA', 1.2, 1200],
            [Quantity::Hertz, 'Hz', 60, 60], [Quantity::Hertz, 'mHz', 49_980, 49.98],
            [Quantity::Kilowatts, 'kW', -3, -3], [Quantity::Kilowatts, 'W', 1500, 1.5], [Quantity::Kilowatts, 'MW', 0.25, 250],
            [Quantity::Kilovars, 'kvar', 2, 2], [Quantity::Kilovars, 'var', 800, 0.8], [Quantity::Kilovars, 'Mvar', 0.1, 100],
            [Quantity::PowerFactor, 'ratio', 0.8, 0.8], [Quantity::PowerFactor, '%', 95, 0.95],
            [Quantity::OilPressure, 'kPa', 350, 350], [Quantity::OilPressure, 'psi', 100, 689.4757293],
            [Quantity::OilPressure, 'bar', 3.5, 350], [Quantity::OilPressure, 'mbar', 3500, 350],
            [Quantity::Coolant, '°C', 85, 85], [Quantity::Coolant, '°F', 32, 0], [Quantity::Exhaust, '°F', 932, 500],
            [Quantity::Exhaust, 'K', 773.15, 500], [Quantity::FuelLevel, '%', 75, 75], [Quantity::FuelLevel, 'ratio', 0.75, 75],
            [Quantity::RunHours, 'h', 12, 12], [Quantity::RunHours, 'min', 90, 1.5], [Quantity::RunHours, 's', 5400, 1.5],
            [Quantity::EngineRuns, '', 1, 1],
        ];
        foreach ($two as [$quantity, $unit, $theirs, $ours]) {
            yield "$quantity->value in $unit" => [$quantity, $unit, (float) $theirs, (float) $ours];
        }
    }

    #[Test]
    public function what_cannot_be_is_said_at_these_ends(): void
    {
        $ends = [];
        foreach (Quantity::cases() as $one) {
            $ends[$one->unit()] = $one->plausible();
            self::assertSame($one->unit() === '', $one->isState());
            self::assertNotSame('', $one->label());
        }
        self::assertEquals([
            'V' => [0, 1000], 'A' => [0, 10_000], 'Hz' => [0, 100], 'kW' => [-100_000, 100_000], 'kvar' => [-100_000, 100_000],
            'ratio' => [-1, 1], 'kPa' => [0, 2000], '°C' => [-60, 1100], '%' => [0, 100], 'h' => [0, 1_000_000], '' => [0, 1],
        ], $ends);
    }

    #[Test]
    public function each_table_is_read_by_its_function_of_the_protocol(): void
    {
        self::assertSame([3, 4, 1, 2], array_map(static fn(PlaceTable $one): int => $one->function(), [
            PlaceTable::Holding, PlaceTable::Input, PlaceTable::Coil, PlaceTable::Discrete,
        ]));
        self::assertSame([false, false, true, true], array_map(static fn(PlaceTable $one): bool => $one->isBits(), [
            PlaceTable::Holding, PlaceTable::Input, PlaceTable::Coil, PlaceTable::Discrete,
        ]));
    }

    /** @param list<int> $words */
    #[Test, DataProvider('words')]
    public function words_are_a_number_by_their_type(PlaceType $type, array $words, null|float|int $number): void
    {
        self::assertSame(count($words), $type->width());
        self::assertEquals($number, $type->raw($words));
    }

    /** @return iterable<array{PlaceType, list<int>, null|float|int}> */
    public static function words(): iterable
    {
        yield [PlaceType::U16, [0xFFFF], 65_535];
        yield [PlaceType::S16, [0x7FFF], 32_767];
        yield [PlaceType::S16, [0x8000], -32_768];
        yield [PlaceType::S16, [0xFFFF], -1];
        yield [PlaceType::U32, [0x8000, 0], 2_147_483_648];
        yield [PlaceType::S32, [0x7FFF, 0xFFFF], 2_147_483_647];
        yield [PlaceType::S32, [0x8000, 0], -2_147_483_648];
        yield [PlaceType::S32, [0xFFFF, 0xFFFF], -1];
        yield [PlaceType::F32, [0x3F80, 0], 1.0];
        yield [PlaceType::F32, [0xC2C8, 0], -100.0];
        yield [PlaceType::F32, [0x7F80, 0], null];
        yield [PlaceType::Bit, [5], 5];
    }

    /**
     * @param list<array{int, PlaceType}> $places   address and type, in a table of registers
     * @param list<array{int, int}>       $requests from and count
     */
    #[Test, DataProvider('tables')]
    public function a_small_gap_is_read_along_and_a_large_one_asked_around(array $places, array $requests): void
    {
        $profile = new DeviceProfile(array_map(
            static fn(array $one): Place => new Place(Quantity::VoltsL1, PlaceTable::Input, $one[0], $one[1]),
            $places,
        ));
        self::assertSame($requests, array_map(static fn(array $one): array => [$one['from'], $one['count']], $profile->requests()));
    }

    /** @return iterable<string, array{list<array{int, PlaceType}>, list<array{int, int}>}> */
    public static function tables(): iterable
    {
        [$one, $two] = [PlaceType::U16, PlaceType::F32];
        yield 'one' => [[[7, $one]], [[7, 1]]];
        yield 'two words' => [[[7, $two]], [[7, 2]]];
        yield 'in no order' => [[[9, $one], [7, $two]], [[7, 3]]];
        yield 'eight between' => [[[0, $one], [9, $one]], [[0, 10]]];
        yield 'nine between' => [[[0, $one], [10, $one]], [[0, 1], [10, 1]]];
        yield 'one inside of another' => [[[0, $two], [1, $one], [2, $one]], [[0, 3]]];
        $row = array_map(static fn(int $at): array => [5 * $at, $one], range(0, 20));
        yield 'a hundred and one in all' => [$row, [[0, 96], [100, 1]]];
        yield 'a hundred' => [[...array_slice($row, 0, 20), [98, $two]], [[0, 100]]];
        yield 'the second word beyond' => [[...array_slice($row, 0, 20), [99, $two]], [[0, 96], [99, 2]]];
    }
}
