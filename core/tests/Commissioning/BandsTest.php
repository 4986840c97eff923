<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\Band;
use Escapement\Core\Commissioning\Procedure\Bands;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every band of the procedure, written down a second time: what is good, what stops, and what no instrument on that point can show. */
final class BandsTest extends TestCase
{
    /** @param list<?float> $limits good from, good to, stop below, stop above, can be from, can be to */
    #[Test, DataProvider('bands')]
    public function a_band_is_as_the_rules_have_it(Plant $plant, ProcedureOptions $options, string $name, string $unit, array $limits): void
    {
        $band = (new Bands($plant, $options))->of($name);

        self::assertSame($unit, $band->unit);
        $is = [$band->min, $band->max, $band->stopUnder, $band->stopOver, $band->couldMin, $band->couldMax];
        foreach (['good from', 'good to', 'stop below', 'stop above', 'can be from', 'can be to'] as $i => $word) {
            $limits[$i] === null ? self::assertNull($is[$i], $word) : self::assertEqualsWithDelta($limits[$i], $is[$i], 1e-6, $word);
        }
    }

    /** @return iterable<string, array{Plant, ProcedureOptions, string, string, list<?float>}> */
    public static function bands(): iterable
    {
        $house = self::plant(2, 120, 60);
        $shop = self::plant(3, 120, 60);
        $abroad = self::plant(3, 230, 50);
        $usual = new ProcedureOptions(legA: 80.0, bankReconnectS: 60.0, systemClass: 'emergency');
        $twentyFour = new ProcedureOptions(batteryV: 24.0);
        $droop = new ProcedureOptions(isDroop: true);
        $first = new ProcedureOptions(isDroop: true, edition: 1);
        yield 'utility' => [$house, $usual, 'utility_v', 'V', [114, 126, 110, 127, 0, 240]];
        yield 'between lines of a house' => [$house, $usual, 'utility_line_v', 'V', [228, 252, 220.1, 253.9, 0, 480]];
        yield 'between lines of three phases' => [$shop, $usual, 'utility_line_v', 'V', [197.5, 218.2, 190.6, 219.9, 0, 415.692194]];
        yield 'utility elsewhere' => [$abroad, $usual, 'utility_v', 'V', [207, 253, null, null, 0, 460]];
        yield 'a utility with a band of its own' => [
            $house, new ProcedureOptions(utilityVPct: 5.0), 'utility_v', 'V', [114, 126, null, null, 0, 240],
        ];
        yield 'utility by the first edition' => [$house, $first, 'utility_v', 'V', [108, 132, null, null, 0, 240]];
        yield 'generator' => [$house, $usual, 'generator_v', 'V', [114, 126, null, null, 0, 240]];
        yield 'generator, held closer' => [
            $house, new ProcedureOptions(generatorVPct: 2.0), 'generator_v', 'V', [117.6, 122.4, null, null, 0, 240],
        ];
        yield 'generator between lines' => [$house, $usual, 'generator_line_v', 'V', [228, 252, null, null, 0, 480]];
        yield 'a second utility is no generator' => [self::two(), $usual, 'generator_v', 'V', [114, 126, 110, 127, 0, 240]];
        yield 'utility frequency' => [$house, $usual, 'utility_hz', 'Hz', [59.5, 60.5, null, null, 0, 100]];
        yield 'isochronous, without load' => [$house, $usual, 'generator_hz_no_load', 'Hz', [59.5, 60.5, null, null, 0, 100]];
        yield 'isochronous, with load' => [$abroad, $usual, 'generator_hz', 'Hz', [49.5, 50.5, null, null, 0, 100]];
        yield 'droop, without load' => [$house, $droop, 'generator_hz_no_load', 'Hz', [59.5, 63.5, null, null, 0, 100]];
        yield 'droop, with load' => [$house, $droop, 'generator_hz', 'Hz', [57, 61, null, null, 0, 100]];
        yield 'droop elsewhere, without load' => [$abroad, $droop, 'generator_hz_no_load', 'Hz', [49.5, 53, null, null, 0, 100]];
        yield 'droop elsewhere, with load' => [$abroad, $droop, 'generator_hz', 'Hz', [47.5, 51, null, null, 0, 100]];
        yield 'droop by the first edition, without load' => [$house, $first, 'generator_hz_no_load', 'Hz', [59.5, 63, null, null, 0, 100]];
        yield 'droop by the first edition, with load' => [$house, $first, 'generator_hz', 'Hz', [58.5, 63, null, null, 0, 100]];
        yield 'unbalance' => [$shop, $usual, 'unbalance', '%', [null, 2, null, 5, 0, 100]];
        yield 'neutral to ground' => [$house, $usual, 'neutral_ground', 'V', [0, 2, null, 5, 0, 1000]];
        yield 'battery at rest' => [$house, $usual, 'battery_rest', 'V', [12.4, null, null, null, 0, 30]];
        yield 'battery of 24 V at rest' => [$house, $twentyFour, 'battery_rest', 'V', [24.8, null, null, null, 0, 60]];
        yield 'battery while cranking' => [$house, $usual, 'battery_crank', 'V', [9.6, null, null, null, 0, 30]];
        yield 'battery of 24 V while cranking' => [$house, $twentyFour, 'battery_crank', 'V', [19.2, null, null, null, 0, 60]];
        yield 'charger' => [$house, $usual, 'charger_float', 'V', [13.2, 13.8, null, null, 0, 30]];
        yield 'charger of 24 V' => [$house, $twentyFour, 'charger_float', 'V', [26.4, 27.6, null, null, 0, 60]];
        yield 'insulation' => [$house, $usual, 'insulation', 'MΩ', [1, null, null, null, 0, null]];
        yield 'drop over a contact' => [$house, $usual, 'contact_drop', 'mV', [null, 50, null, null, 0, 10_000]];
        yield 'current' => [$house, $usual, 'amps', 'A', [null, 80, null, null, 0, 240]];
        yield 'current of what nobody knows' => [$house, $droop, 'amps', 'A', [null, null, null, null, 0, null]];
        yield 'dip' => [$shop, $usual, 'dip', 'V', [null, null, null, null, 0, 415.692194]];
        yield 'dip of frequency' => [$house, $usual, 'dip_hz', 'Hz', [null, null, null, null, 0, 100]];
        yield 'resistance of a contact' => [$house, $usual, 'contact', 'mΩ', [null, null, null, null, 0, 1000]];
        yield 'contacts of one side' => [$house, $usual, 'contact_spread', 'times', [null, 1.5, null, null, 1, null]];
        yield 'drop at the test points' => [$house, $usual, 'contact_point_mv', 'mV', [null, null, null, null, 0, 10_000]];
        yield 'current at the test points' => [$house, $usual, 'contact_point_a', 'A', [null, null, null, null, 0, null]];
        yield 'drop at rated current' => [$house, $usual, 'contact_at_rated', 'mV', [null, 50, null, null, 0, 10_000]];
        yield 'the one bond' => [$house, $usual, 'bond', 'Ω', [null, 0.1, null, 0.1, 0, null]];
        yield 'an emergency system' => [$house, $usual, 'class_seconds', 's', [null, 10, null, 10, 0, null]];
        yield 'a system required by law' => [
            $house, new ProcedureOptions(systemClass: 'legally_required'), 'class_seconds', 's', [null, 60, null, 60, 0, null],
        ];
        yield 'a capacitor bank' => [$shop, $usual, 'bank_back', 's', [60, null, 60, null, 0, null]];
        yield 'hours' => [$house, $usual, 'engine_hours', 'h', [null, null, null, null, 0, 1_000_000]];
        yield 'minutes' => [$house, $usual, 'run_minutes', 'min', [10, null, null, null, 0, 10_000]];
        yield 'load' => [$house, $usual, 'carried_kw', 'kW', [null, null, null, null, 0, 100_000]];
        yield 'recovery' => [$house, $usual, 'recovery_s', 's', [null, null, null, null, 0, null]];
    }

    #[Test, DataProvider('words')]
    public function a_band_is_said_with_its_unit(Band $band, string $words, string $could): void
    {
        self::assertSame($words, $band->words());
        self::assertSame($could, $band->couldWords());
    }

    /** @return iterable<string, array{Band, string, string}> */
    public static function words(): iterable
    {
        yield 'from and to' => [new Band('Volts', 'V', 114.0, 126.5, couldMin: 0.0, couldMax: 240.0), '114 to 126.5 V', '0 to 240 V'];
        yield 'a limit above' => [new Band('Drop', 'mV', null, 50.0, couldMin: 1.0), 'up to 50 mV', 'from 1 mV'];
        yield 'a limit below' => [new Band('Insulation', 'MΩ', 1.25, null), '1.25 MΩ at least', 'from 0 MΩ'];
        yield 'as found' => [new Band('Deepest voltage', 'V', null, null, couldMax: 10.0), 'Deepest voltage in V, as found', '0 to 10 V'];
    }

    #[Test]
    public function what_can_be_read_includes_its_ends(): void
    {
        $band = new Band('Volts', 'V', null, null, couldMin: 1.0, couldMax: 240.0);
        foreach ([[0.999, false], [1.0, true], [240.0, true], [240.001, false]] as [$value, $can]) {
            self::assertSame($can, $band->couldBe($value), (string) $value);
        }
    }

    #[Test]
    public function there_is_no_band_of_another_name(): void
    {
        $this->expectException(\LogicException::class);
        (new Bands(self::plant(2, 120, 60), new ProcedureOptions()))->of('no such');
    }

    private static function plant(int $phases, float $volts, float $hertz): Plant
    {
        $source = new Source($phases, $volts, $hertz);

        return new Plant(PlantKind::Standby, $source, $source, new Engine(1000, 5000, 5000, 3, 1000, 1000));
    }

    private static function two(): Plant
    {
        $source = new Source(2, 120, 60);

        return new Plant(PlantKind::TwoSource, $source, $source, null);
    }
}
