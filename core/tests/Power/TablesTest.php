<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The figures of sources, motors and fuels, a second time by hand, asked through the calculations. To be confirmed. */
final class TablesTest extends TestCase
{
    use Answers;

    /** @return iterable<string, array{string, float, float}> letter, kVA per horsepower from, to */
    public static function letters(): iterable
    {
        $rows = 'A:0:3.14 B:3.15:3.54 C:3.55:3.99 D:4.0:4.49 E:4.5:4.99 F:5.0:5.59 G:5.6:6.29 H:6.3:7.09 J:7.1:7.99 K:8.0:8.99 L:9.0:9.99 '
            . 'M:10.0:11.19 N:11.2:12.49 P:12.5:13.99 R:14.0:15.99 S:16.0:17.99 T:18.0:19.99 U:20.0:22.39 V:22.4:22.4';
        foreach (explode(' ', $rows) as $row) {
            [$letter, $from, $to] = explode(':', $row);
            yield $letter => [$letter, (float) $from, (float) $to];
        }
    }

    #[Test, DataProvider('letters')]
    public function a_code_letter_is_a_range(string $letter, float $from, float $to): void
    {
        foreach (['lower' => $from, 'mid' => ($from + $to) / 2, 'upper' => $to] as $bound => $kvaPerHp) {
            $input = self::start(['hp' => 2, 'code' => $letter, 'lra_a' => null, 'fla_a' => 10], ['code_bound' => $bound]);
            self::assertEqualsWithDelta(2 * $kvaPerHp, self::figure('motor_start', $input, '/lrc_kva'), 1e-9, $bound);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, float, string}> */
    public static function lockedRotors(): iterable
    {
        yield 'by its amps before all' => [['lra_a' => 100, 'hp' => 2, 'code' => 'G'], sqrt(3) * 0.4 * 100, 'lra'];
        yield 'by letter and horsepower' => [['lra_a' => null, 'hp' => 2, 'code' => 'G', 'fla_a' => 10], 2 * 6.29, 'code'];
        yield 'a letter without horsepower says nothing' => [
            ['lra_a' => null, 'code' => 'G', 'fla_a' => 10], sqrt(3) * 0.4 * 10 * 6, 'estimate',
        ];
        yield 'six times what it runs at' => [['lra_a' => null, 'fla_a' => 10], sqrt(3) * 0.4 * 10 * 6, 'estimate'];
        yield 'another multiple' => [['lra_a' => null, 'fla_a' => 10, 'lra_multiple' => 8], sqrt(3) * 0.4 * 10 * 8, 'estimate'];
        yield 'single-phase' => [['lra_a' => 100, 'phases' => 1, 'v_v' => 240], 24, 'lra'];
    }

    /** @param array<string, mixed> $motor */
    #[Test, DataProvider('lockedRotors')]
    public function a_motor_at_standstill_draws(array $motor, float $kva, string $basis): void
    {
        self::assertEqualsWithDelta($kva, self::figure('motor_start', self::start($motor), '/lrc_kva'), 1e-9);
        self::assertSame($basis, self::figure('motor_start', self::start($motor), '/basis'));
    }

    /** @return iterable<string, array{string, float, float}> method, share of the locked-rotor kVA, torque in percent */
    public static function methods(): iterable
    {
        yield 'direct on line' => ['dol', 1, 100];
        yield 'part winding' => ['part_winding', 0.65, 45];
        yield 'autotransformer at 80 %' => ['autotransformer_80', 0.64, 64];
        yield 'autotransformer at 65 %' => ['autotransformer_65', 0.4225, 42.25];
        yield 'star-delta' => ['star_delta', 1 / 3, 100 / 3];
        yield 'soft starter' => ['soft_start', 0.4, 16];
    }

    #[Test, DataProvider('methods')]
    public function a_starter_takes_a_share(string $method, float $share, float $torquePct): void
    {
        $input = self::start(['method' => $method]);
        $kva = $share * sqrt(3) * 0.4 * 100;
        self::assertEqualsWithDelta($kva, self::figure('motor_start', $input, '/start_kva'), 1e-9);
        self::assertEqualsWithDelta($torquePct, self::figure('motor_start', $input, '/torque_pct'), 1e-9);
        // 400 kVA at a reactance of a quarter set 1600 kVA against it
        $dipPct = 100 * $kva / ($kva + 1600);
        self::assertEqualsWithDelta($dipPct, self::figure('motor_start', $input, '/dip_pct'), 1e-9);
        self::assertEqualsWithDelta(
            $kva * ((100 - $dipPct) / 100) ** 2 * 0.4,
            self::figure('motor_start', $input, '/start_kw'),
            1e-9,
        );
    }

    #[Test]
    public function a_drive_draws_one_and_a_half_times_what_the_motor_runs_at(): void
    {
        $input = self::start(['method' => 'vfd', 'fla_a' => 20]);
        self::assertEqualsWithDelta(1.5 * sqrt(3) * 0.4 * 20, self::figure('motor_start', $input, '/start_kva'), 1e-9);
        self::assertEqualsWithDelta(100.0, self::figure('motor_start', $input, '/torque_pct'), 1e-9);
    }

    /** @return iterable<string, array{string, bool, float, float}> what else is connected, strict or not, aimed at, no longer stood */
    public static function dips(): iterable
    {
        yield 'sensitive' => ['sensitive', false, 10, 10];
        yield 'lighting' => ['lighting', false, 15, 15];
        yield 'general' => ['general', false, 20, 30];
        yield 'general, strict' => ['general', true, 20, 20];
        yield 'motors' => ['motors', false, 30, 30];
    }

    #[Test, DataProvider('dips')]
    public function what_is_connected_stands_a_dip(string $application, bool $isStrict, float $aimedAt, float $stop): void
    {
        $input = self::start([], ['application' => $application, 'strict' => $isStrict]);
        self::assertEqualsWithDelta($aimedAt, self::figure('motor_start', $input, '/limit_pct'), 1e-9);
        self::assertEqualsWithDelta($stop, self::figure('motor_start', $input, '/stop_pct'), 1e-9);
    }

    /** @return iterable<string, array{float, list<string>}> dip in percent; every edge is still inside */
    public static function steps(): iterable
    {
        $low = ['soft-start-helps'];
        yield '15 %' => [15, []];
        yield '15.1 %' => [15.1, ['contactor-pull-in']];
        yield '20 %' => [20, ['contactor-pull-in']];
        yield '20.1 %' => [20.1, ['dip-over-target', 'contactor-pull-in', ...$low]];
        yield '25 %' => [25, ['dip-over-target', 'contactor-pull-in', ...$low]];
        yield '25.1 %' => [25.1, ['dip-over-target', 'contactor-dropout', ...$low]];
        yield '30 %' => [30, ['dip-over-target', 'contactor-dropout', ...$low]];
        yield '30.1 %' => [30.1, ['dip-over-limit', 'contactor-dropout', ...$low]];
        yield '35 %' => [35, ['dip-over-limit', 'contactor-dropout', ...$low]];
        yield '35.1 %' => [35.1, ['dip-over-limit', 'dip-severe', 'contactor-dropout', ...$low]];
    }

    /** @param list<string> $ids */
    #[Test, DataProvider('steps')]
    public function a_deeper_dip_is_found_worse(float $dipPct, array $ids): void
    {
        // the maker's curve puts this start on this dip
        $source = ['kind' => 'generator', 'rated_kva' => 100, 'maker_kva' => 24, 'maker_dip_pct' => $dipPct];
        $input = self::start(['phases' => 1, 'v_v' => 240], ['source' => $source]);
        self::assertEqualsWithDelta($dipPct, self::figure('motor_start', $input, '/dip_pct'), 1e-9);
        self::assertEqualsCanonicalizing($ids, self::found('motor_start', $input));
    }

    #[Test]
    public function an_engine_gives_a_tenth_more_for_a_start(): void
    {
        $startKw = self::figure('motor_start', self::start([]), '/start_kw');
        self::assertIsFloat($startKw);
        $kva = ['kind' => 'generator', 'rated_kva' => 400, 'running_kw' => 5.0];
        $edge = ['usable_kw' => ($startKw + 5) / 1.1];
        self::assertNotContains('engine-overload-start', self::found('motor_start', self::start([], ['source' => $kva + $edge])));
        $below = ['usable_kw' => ($startKw + 5) / 1.1 - 0.01];
        self::assertContains('engine-overload-start', self::found('motor_start', self::start([], ['source' => $kva + $below])));
    }

    /** @return iterable<string, array{string, list<float>}> per rated kW at 25, 50, 75 and 100 % */
    public static function rates(): iterable
    {
        yield 'diesel, l/h' => ['diesel', [0.10, 0.16, 0.22, 0.28]];
        yield 'petrol, l/h' => ['petrol', [0.22, 0.32, 0.43, 0.55]];
        yield 'LP, BTU/h' => ['lp', [7500, 10_500, 13_500, 16_500]];
        yield 'natural gas, BTU/h' => ['natural_gas', [7500, 10_500, 13_500, 16_500]];
    }

    /** @param list<float> $rates */
    #[Test, DataProvider('rates')]
    public function a_set_burns_by_its_load(string $fuel, array $rates): void
    {
        $unit = in_array($fuel, ['diesel', 'petrol'], true) ? 'l_h' : 'btuh';
        $burns = static fn(float $loadPct): mixed => self::figure(
            'fuel',
            ['fuel' => $fuel, 'rated_kw' => 20, 'load_kw' => $loadPct / 5],
            "/rate/$unit",
        );
        foreach ($rates as $i => $rate) {
            self::assertEqualsWithDelta(20 * $rate, $burns(25.0 * ($i + 1)), 1e-6, 25 * ($i + 1) . ' %');
        }
        self::assertEqualsWithDelta(20 * ($rates[1] + $rates[2]) / 2, $burns(62.5), 1e-6, 'between two points a straight line');
        self::assertEqualsWithDelta(20 * (2 * $rates[0] - $rates[1]), $burns(0), 1e-6, 'below the first along the first two');
        self::assertEqualsWithDelta(20 * (1.4 * $rates[3] - 0.4 * $rates[2]), $burns(110), 1e-6, 'above the last along the last two');
    }

    /** @return iterable<string, array{string, string, array<string, ?float>}> what a table says as 10 of a unit, in all units */
    public static function measures(): iterable
    {
        $l = 3.785411784;
        yield 'diesel by the gallon' => ['diesel', 'gal_h', ['l_h' => 10 * $l, 'gal_h' => 10, 'ft3_h' => null, 'btuh' => null]];
        yield 'diesel by the litre' => ['diesel', 'l_h', ['l_h' => 10, 'gal_h' => 10 / $l]];
        yield 'LP by the gallon' => ['lp', 'gal_h', ['gal_h' => 10, 'l_h' => 10 * $l, 'btuh' => 915_000, 'ft3_h' => 915_000 / 2516]];
        yield 'LP by the litre' => ['lp', 'l_h', ['l_h' => 10, 'btuh' => 915_000 / $l]];
        yield 'gas by the cubic foot' => ['natural_gas', 'ft3_h', ['ft3_h' => 10, 'btuh' => 10_300, 'gal_h' => null, 'l_h' => null]];
        yield 'gas by the cubic metre' => ['natural_gas', 'm3_h', ['m3_h' => 10, 'ft3_h' => 353.146667]];
        yield 'gas by its heat' => ['natural_gas', 'btuh', ['btuh' => 10, 'ft3_h' => 10 / 1030]];
    }

    /** @param array<string, ?float> $rates */
    #[Test, DataProvider('measures')]
    public function a_fuel_is_measured_in_its_units(string $fuel, string $unit, array $rates): void
    {
        $table = [['load_pct' => 0, 'rate' => 10], ['load_pct' => 100, 'rate' => 10]];
        $input = ['fuel' => $fuel, 'rated_kw' => 10, 'load_kw' => 5, 'table' => $table, 'table_unit' => $unit];
        foreach ($rates as $name => $rate) {
            $is = self::figure('fuel', $input, "/rate/$name");
            $rate === null ? self::assertNull($is, $name) : self::assertEqualsWithDelta($rate, $is, 1e-6, $name);
        }
    }

    /** @return iterable<string, array{float, float}> percent of liquid, factor */
    public static function liquids(): iterable
    {
        $rows = [0 => 0, 5 => 22.5, 10 => 45, 15 => 52.5, 20 => 60, 30 => 70, 40 => 80, 50 => 90, 60 => 100, 80 => 100];
        foreach ($rows as $pct => $factor) {
            yield "$pct %" => [(float) $pct, (float) $factor];
        }
    }

    #[Test, DataProvider('liquids')]
    public function a_gas_tank_gives_by_its_wetted_wall(float $liquidPct, float $factor): void
    {
        // −17.78 °C is 0 °F, where the factor of the air is 1; the reserve does not cut in
        $input = self::vapour(['diameter_in' => 10, 'length_in' => 10, 'liquid_pct' => $liquidPct, 'temp_c' => -32 / 1.8]);
        self::assertEqualsWithDelta(100 * $factor, self::figure('fuel', $input, '/vapour/btuh'), 1e-6);
    }

    /** @return iterable<string, array{float, float}> °F, factor */
    public static function airs(): iterable
    {
        foreach ([-25 => 0, -20 => 0, -10 => 0.5, 0 => 1, 20 => 2, 40 => 3, 60 => 4, 80 => 4] as $fahrenheit => $factor) {
            yield "$fahrenheit °F" => [(float) $fahrenheit, (float) $factor];
        }
    }

    #[Test, DataProvider('airs')]
    public function cold_air_gives_it_less(float $fahrenheit, float $factor): void
    {
        $input = self::vapour(['diameter_in' => 10, 'length_in' => 10, 'liquid_pct' => 20, 'temp_c' => ($fahrenheit - 32) / 1.8]);
        self::assertEqualsWithDelta($factor, self::figure('fuel', $input, '/vapour/factor'), 1e-9);
        self::assertSame($fahrenheit > 20, in_array('vapour-extrapolated', self::found('fuel', $input), true));
    }

    #[Test]
    public function a_tank_of_the_table_has_its_size(): void
    {
        $sizes = [120 => [24, 68], 250 => [30, 94], 325 => [30, 119], 500 => [37, 119], 1000 => [41, 192]];
        foreach ($sizes as $gallons => [$diameter, $length]) {
            $given = ['diameter_in' => $diameter, 'length_in' => $length, 'temp_c' => 0];
            self::assertSame(
                self::figure('fuel', self::vapour($given), '/vapour/btuh'),
                self::figure('fuel', self::vapour(['tank_gal' => $gallons, 'temp_c' => 0]), '/vapour/btuh'),
            );
        }
    }

    #[Test]
    public function vapour_is_judged_at_the_reserve_that_the_runtime_leaves(): void
    {
        $full = ['tank_gal' => 500, 'liquid_pct' => 70, 'temp_c' => 0];
        self::assertSame(20.0, self::figure('fuel', self::vapour($full, []), '/vapour/liquid_pct'), 'a fifth where no tank is given');
        $tank = ['tank' => ['capacity_gal' => 500, 'reserve_pct' => 35]];
        self::assertSame(35.0, self::figure('fuel', self::vapour($full, $tank), '/vapour/liquid_pct'));
        $low = self::vapour(['liquid_pct' => 10] + $full, $tank);
        self::assertSame(10.0, self::figure('fuel', $low, '/vapour/liquid_pct'), 'or what is in it');
    }

    /** @return iterable<string, array{string, float}> */
    public static function pipes(): iterable
    {
        foreach (explode(' ', '1/2:0.622 3/4:0.824 1:1.049 1-1/4:1.380 1-1/2:1.610 2:2.067 2-1/2:2.469 3:3.068 4:4.026') as $row) {
            [$size, $inches] = explode(':', $row);
            yield $size => [$size, (float) $inches];
        }
    }

    #[Test, DataProvider('pipes')]
    public function a_pipe_carries_by_its_inside(string $size, float $inches): void
    {
        $pipe = ['length_ft' => 40, 'size' => $size, 'demand_btuh' => 103_000];
        $input = ['fuel' => 'natural_gas', 'rated_kw' => 10, 'load_kw' => 5, 'pipe' => $pipe];
        $k = 19.17 * (0.5 / (0.6094 * 60)) ** 0.206;
        self::assertEqualsWithDelta(($k * $inches) ** (1 / 0.381), self::figure('fuel', $input, '/pipe/capacity_ft3_h'), 1e-6);
        self::assertEqualsWithDelta(100.0, self::figure('fuel', $input, '/pipe/flow_ft3_h'), 1e-9);
        // just as much as it carries still fits, and a little more takes the next
        $flow = ($k * $inches) ** (1 / 0.381) * 1030;
        $at = static fn(float $btuh): mixed => self::figure(
            'fuel',
            ['pipe' => ['demand_btuh' => $btuh, 'length_ft' => 40]] + $input,
            '/pipe/min_size',
        );
        self::assertSame($size, $at($flow * 0.999));
        self::assertNotSame($size, $at($flow * 1.001));
    }

    /** @return iterable<string, array{string, string, float, float, float, float}> % per 1000 ft, free ft, % per 10 °C, free °C */
    public static function slopes(): iterable
    {
        foreach (['petrol', 'lp', 'natural_gas'] as $fuel) {
            yield "$fuel, natural" => [$fuel, 'natural', 3.5, 0, 1.8, 16];
            yield "$fuel, turbo" => [$fuel, 'turbo', 2, 3000, 1.8, 25];
        }
        yield 'diesel, natural' => ['diesel', 'natural', 3.5, 500, 1.8, 25];
        yield 'diesel, turbo' => ['diesel', 'turbo', 3, 3000, 1.8, 40];
    }

    #[Test, DataProvider('slopes')]
    public function height_and_heat_take_a_share(
        string $fuel,
        string $aspiration,
        float $perFeet,
        float $freeFt,
        float $perHeat,
        float $freeC,
    ): void {
        $factor = static fn(float $feet, float $celsius, string $combine = 'multiply'): mixed => self::figure(
            'source_rating',
            self::generator([
                'fuel' => $fuel, 'ratings_kw' => [$fuel => 10], 'aspiration' => $aspiration, 'altitude_ft' => $feet, 'temp_c' => $celsius,
                'combine' => $combine,
            ]),
            '/factor',
        );
        self::assertEqualsWithDelta(1.0, $factor($freeFt, $freeC), 1e-9, 'nothing up to there');
        self::assertEqualsWithDelta(1 - $perFeet / 100, $factor($freeFt + 1000, $freeC), 1e-9);
        self::assertEqualsWithDelta(1 - $perHeat / 100, $factor($freeFt, $freeC + 10), 1e-9);
        self::assertEqualsWithDelta((1 - $perFeet / 100) * (1 - $perHeat / 100), $factor($freeFt + 1000, $freeC + 10), 1e-9);
        self::assertEqualsWithDelta(1 - $perFeet / 100 - $perHeat / 100, $factor($freeFt + 1000, $freeC + 10, 'add'), 1e-9);
    }

    /** @return iterable<string, array{string, string, float}> */
    public static function derived(): iterable
    {
        yield 'LP from petrol' => ['lp', 'petrol', 9];
        yield 'natural gas from petrol' => ['natural_gas', 'petrol', 8];
        yield 'petrol from LP' => ['petrol', 'lp', 10 / 0.9];
        yield 'natural gas from LP' => ['natural_gas', 'lp', 8 / 0.9];
        yield 'LP from natural gas' => ['lp', 'natural_gas', 9 / 0.8];
        yield 'its own' => ['lp', 'lp', 10];
    }

    #[Test, DataProvider('derived')]
    public function a_rating_follows_from_that_on_another_fuel(string $fuel, string $from, float $kw): void
    {
        $input = self::generator(['fuel' => $fuel, 'ratings_kw' => [$from => 10]]);
        self::assertEqualsWithDelta($kw, self::figure('source_rating', $input, '/rated_kw'), 1e-9);
        self::assertSame($fuel !== $from, in_array('fuel-factor-assumed', self::found('source_rating', $input), true));
        self::assertEqualsWithDelta(10.0, self::figure('source_rating', $input, '/alternator_kva'), 1e-9, 'by the largest of the plate');
    }

    /** @return iterable<string, array{string, list<float>, float}> ranges of the long method, kVA, what they count as */
    public static function ranges(): iterable
    {
        foreach ([1 => 8, 2 => 11, 3 => 14, 4 => 17, 5 => 20] as $n => $kva) {
            yield "$n of 12 kVA" => [array_fill(0, $n, 12.0), (float) $kva];
        }
        foreach ([1 => .80, 2 => .65, 3 => .55, 4 => .50, 5 => .45] as $n => $share) {
            yield "$n of 8.75 kVA" => [array_fill(0, $n, 8.75), $n * 8.75 * $share];
            yield "$n of 3.5 kVA" => [array_fill(0, $n, 3.5), $n * 3.5 * $share];
        }
        foreach ([1 => .80, 2 => .75, 3 => .70, 4 => .66, 5 => .62] as $n => $share) {
            yield "$n of 3.4 kVA" => [array_fill(0, $n, 3.4), $n * 3.4 * $share];
        }
        yield '13.4 kVA is one more' => [[13.4], 8 * 1.05];
        yield '13.5 kVA is two more' => [[13.5], 8 * 1.10];
        yield 'a large and a small' => [[12, 3], 8 + 3 * .80];
        yield 'a large and a middle one' => [[12, 8.75], 8 + 8.75 * .80];
    }

    /** @param list<float> $ranges */
    #[Test, DataProvider('ranges')]
    public function ranges_of_the_long_method_count_less(array $ranges, float $kva): void
    {
        $calculated = ['rule' => 'standard', 'small_appliance_circuits' => 0, 'laundry_circuits' => 0, 'ranges' => $ranges];
        self::assertEqualsWithDelta($kva, self::figure('demand', ['calculated' => $calculated], '/calculated/base_kva'), 1e-9);
    }

    /**
     * @param array<string, mixed> $motor
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function start(array $motor, array $more = []): array
    {
        $motor += ['phases' => 3, 'v_v' => 400, 'lra_a' => 100];

        return $more + ['motor' => array_filter($motor, static fn(mixed $one): bool => $one !== null), 'source' => [
            'kind' => 'generator', 'rated_kva' => 400,
        ]];
    }

    /**
     * @param array<string, mixed> $vapour
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function vapour(array $vapour, array $more = ['tank' => ['capacity_gal' => 500, 'reserve_pct' => 100]]): array
    {
        return ['fuel' => 'lp', 'rated_kw' => 10, 'load_kw' => 5, 'vapour' => $vapour] + $more;
    }

    /**
     * @param array<string, mixed> $generator
     *
     * @return array<string, mixed>
     */
    private static function generator(array $generator): array
    {
        return ['kind' => 'generator', 'generator' => $generator];
    }
}
