<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\BatteryRuntime;
use Escapement\Core\Power\CarriedLoads;
use Escapement\Core\Power\Fuel\GasPressure;
use Escapement\Core\Power\Fuel\Tank;
use Escapement\Core\Power\LegCurrents;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Power\Sizing\SizingLimits;
use Escapement\Core\Power\SourceFigures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a source has a voltage for, what it carries beside the rest, and what is left over. */
final class CarriedLoadsTest extends TestCase
{
    /**
     * @param list<string> $without
     * @param list<string> $legs
     */
    #[Test, DataProvider('sources')]
    public function a_load_across_two_legs_needs_two_of_different_phase(
        int $inverterLegs,
        bool $isJumped,
        string $system,
        array $legs,
        array $without,
    ): void {
        $system = LegSystem::of($system, 120.0);
        $values = ['usable_kw' => 10.0, 'leg_a' => 60.0, 'surge_kw' => 12.0, 'legs' => $inverterLegs];
        $source = SourceFigures::ofInverter(new CalculationResult($values, [], []), $system, $isJumped);
        self::assertSame($legs, $source->legs);
        $connects = $system->legs() > 1 ? ['L1', 'L2', 'L1L2'] : ['L1'];
        $carried = new CarriedLoads($system, $source, array_map(static fn(string $connect): array => [
            'id' => $connect, 'kw' => 1.0, 'connect' => $connect, 'priority' => 1, 'must_run' => false,
        ], $connects));
        self::assertSame($without, $carried->withoutVoltage);
        self::assertSame(array_values(array_diff($connects, $without)), $carried->on, 'all of the rest fits');
    }

    /** @return iterable<string, array{int, bool, string, list<string>, list<string>}> */
    public static function sources(): iterable
    {
        yield 'two legs of an inverter' => [2, false, 'split', ['L1', 'L2'], []];
        yield 'one leg' => [1, false, 'split', ['L1'], ['L2', 'L1L2']];
        yield 'one leg for both by a jumper: no 240 volts' => [1, true, 'split', ['L1', 'L2'], ['L1L2']];
        yield 'one leg where there is one' => [1, false, 'single', ['L1'], []];
        yield 'two where there is one' => [2, false, 'single', ['L1'], []];
    }

    /** @param array{float, float, float} $limits kW, kVA, amperes a leg */
    #[Test, DataProvider('limits')]
    public function the_least_of_power_and_current_is_what_is_left(array $limits, float $kw, float $pf, bool $fits, float $leftPct): void
    {
        $option = (new SizingLimits(...$limits))->judge(new LegCurrents(
            LegSystem::of('split', 120.0),
            [new LegLoad('one', $kw, 'L1L2', $pf)],
        ));
        self::assertSame($fits, $option->fits);
        self::assertEqualsWithDelta($leftPct, $option->headroomPct, 0.01);
    }

    /** @return iterable<string, array{array{float, float, float}, float, float, bool, float}> */
    public static function limits(): iterable
    {
        yield 'real power decides' => [[10, 20, 100], 8, 1, true, 20];
        yield 'apparent power decides' => [[20, 10, 100], 6, 0.75, true, 20];
        yield 'the current decides: 6 kW over 240 V are 25 A' => [[20, 20, 50], 6, 1, true, 50];
        yield 'all of the power' => [[8, 20, 100], 8, 1, true, 0];
        yield 'more than the power' => [[8, 20, 100], 8.08, 1, false, -1];
        yield 'more than the apparent power' => [[20, 8, 100], 8.08, 1, false, -1];
        yield 'more than the current' => [[20, 20, 25], 6.06, 1, false, -1];
    }

    #[Test]
    public function what_is_usual_until_the_maker_says_otherwise(): void
    {
        self::assertSame(['lfp' => 90.0, 'nmc' => 85.0, 'agm' => 50.0, 'lead' => 50.0], BatteryRuntime::DEPTH_PCT);
        self::assertSame([10.0, 12.0], [GasPressure::usualMin('lp'), GasPressure::usualMax('lp')]);
        self::assertSame([3.5, 7.0], [GasPressure::usualMin('natural_gas'), GasPressure::usualMax('natural_gas')]);
        self::assertSame([80.0, 20.0], [Tank::usualFillPct('lp'), Tank::usualReservePct('lp')]);
        self::assertSame([95.0, 10.0], [Tank::usualFillPct('diesel'), Tank::usualReservePct('diesel')]);
    }
}
