<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\PlausibleLoad;
use Escapement\Core\Power\SourceFeeder;
use Escapement\Core\Tests\Calc\AnswersAtPaths;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Loads and sources where a limit lies: what stands on it, and what lies just beyond. */
final class PowerEdgesTest extends TestCase
{
    use AnswersAtPaths;

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expected
     */
    #[Test, DataProvider('demands'), DataProvider('batteries'), DataProvider('fuels'), DataProvider('starts'), DataProvider('meters')]
    public function it_says(string $calc, array $input, array $expected): void
    {
        self::assertAnswers($calc, $input, $expected);
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function demands(): iterable
    {
        $calculated = static fn(float $v): array => [
            'system' => 'split', 'v_ln_v' => $v, 'calculated' => ['floor_area_ft2' => 4000, 'appliances' => [['id' => 'a', 'kva' => 40]]],
        ];
        yield 'the least volts of the method' => ['demand', $calculated(110), ['no' => 'ten-system']];
        yield 'a volt less' => ['demand', $calculated(109), ['ids' => 'ten-system']];
        yield 'the most volts of the method' => ['demand', $calculated(127), ['no' => 'ten-system']];
        yield 'a volt more' => ['demand', $calculated(128), ['ids' => 'ten-system']];
        $both = static fn(float $kw): array => [
            'calculated' => [
                'rule' => 'ten', 'small_appliance_circuits' => 0, 'laundry_circuits' => 0,
                'appliances' => [['id' => 'a', 'kva' => 10]],
            ],
            'measured' => ['peak_kw' => $kw, 'factor' => 1],
        ];
        yield 'a quarter apart is the same' => ['demand', $both(7.5), ['no' => 'schools-differ', 'design_kva' => 10.0]];
        yield 'more than a quarter is not' => ['demand', $both(7.49), ['ids' => 'schools-differ']];
        $measured = static fn(array $more): array => ['measured' => $more + ['factor' => 1]];
        yield 'kilowatts through their power factor' => ['demand', $measured(['peak_kw' => 8, 'pf' => 0.8]), ['design_kva' => 10.0]];
        yield 'amperes on both legs' => ['demand', $measured(['peak_a' => 50]), ['design_kva' => 12.0, 'no' => 'record-under-year']];
        $days = static fn(int $days): array => $measured(['peak_a' => 50, 'period_days' => $days]);
        yield 'a year' => ['demand', $days(365), ['no' => 'record-under-year']];
        yield 'a day less than a year' => ['demand', $days(364), ['ids' => 'record-under-year']];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function batteries(): iterable
    {
        foreach (['lfp' => 9.0, 'nmc' => 8.5, 'agm' => 5.0, 'lead' => 5.0] as $chemistry => $usable) {
            yield "$chemistry is emptied as far as is usual" => ['battery_runtime', [
                'battery_kwh' => 10, 'chemistry' => $chemistry, 'loads' => [['id' => 'a', 'kw' => 0.5]],
            ], ['usable_kwh' => $usable]];
        }
        yield 'nothing drawn lasts, and nothing is lost' => ['battery_runtime', [
            'battery_kwh' => 10, 'idle_kw' => 0, 'loads' => [],
        ], ['runtime_h' => null, 'lost_h' => null]];
        $jumper = [
            'maker_allows' => 'yes', 'alternate_ever_240' => false, 'inverter_kw' => 5, 'inverter_a' => 30, 'feeder_neutral_a' => 55,
        ];
        yield 'an inverter gives what its breaker lets through' => [
            'single_leg_jumper', $jumper + ['loads' => [['id' => 'a', 'kw' => 1, 'connect' => 'L1']]],
            ['max_kw' => 3.6, 'total_a' => 1000 / 120],
        ];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function fuels(): iterable
    {
        $tank = static fn(float $pct, float $c = 0): array => ['fuel', [
            'fuel' => 'lp', 'rated_kw' => 22, 'load_kw' => 11,
            'tank' => ['capacity_gal' => 250, 'reserve_pct' => $pct],
            'vapour' => ['diameter_in' => 10, 'length_in' => 10, 'temp_c' => $c, 'liquid_pct' => $pct],
        ]];
        // at 0 °C the warmth counts 2.6 times; square inches times the factor of the liquid
        foreach ([5 => 22.5, 10 => 45.0, 15 => 52.5, 20 => 60.0, 40 => 80.0, 60 => 100.0, 80 => 100.0] as $pct => $factor) {
            yield "$pct % of liquid" => [...$tank($pct), ['vapour/btuh' => 100 * $factor * 2.6]];
        }
        yield 'as warm as the rule goes' => [...$tank(30, -20 / 3), ['no' => 'vapour-extrapolated', 'vapour/factor' => 2.0]];
        yield 'warmer than the rule goes' => [...$tank(30, -6), ['ids' => 'vapour-extrapolated']];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function starts(): iterable
    {
        $motor = static fn(float $lra): array => ['motor_start', [
            'motor' => ['phases' => 1, 'v_v' => 240, 'lra_a' => $lra, 'fla_a' => 21],
            'source' => ['kind' => 'generator', 'rated_kva' => 22],
        ]];
        yield 'contactors may let go, and what is left is said' => [
            ...$motor(300), ['ids' => 'contactor-dropout', 'said' => '55 % of the voltage is left'],
        ];
        yield 'contactors may not pull in' => [...$motor(120), ['ids' => 'contactor-pull-in', 'said' => '75 % of the voltage is left']];
        $sequence = static fn(float $kva): array => ['step_sequence', [
            'usable_kw' => 20, 'k_kva' => 80, 'dip_limit_pct' => 20, 'loads' => [['id' => 'a', 'kw' => 5, 'start_kva' => $kva]],
        ]];
        yield 'a start on the dip that is allowed' => [...$sequence(20), ['no' => 'start-too-large', 'max_step_kva' => null]];
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> */
    public static function meters(): iterable
    {
        $meter = static fn(float $second): array => ['three_phase_meter', [
            'v_v' => [230, 230, 230], 'i_a' => [100, 100, 100], 'pf' => [0.9, 0.9, 0.9], 'v_deg' => [0, $second, 2 * $second],
            'ct' => ['primary_a' => 200],
        ]];
        yield 'abc' => [...$meter(-120), ['rotation' => 'abc']];
        yield 'acb' => [...$meter(120), ['rotation' => 'acb']];
        yield 'neither' => [...$meter(0), ['rotation' => 'undetermined']];
        $slack = static fn(float $by): array => ['three_phase_meter', [
            'v_v' => [230, 230, 230], 'i_a' => [100, 100, 100], 'pf' => [0.9, 0.9, 0.9], 'v_deg' => [0, 120 + $by, 240],
            'ct' => ['primary_a' => 200],
        ]];
        yield 'within twenty degrees' => [...$slack(20), ['rotation' => 'acb']];
        yield 'beyond' => [...$slack(20.5), ['rotation' => 'undetermined']];
        $current = static fn(float $a): array => ['three_phase_meter', [
            'v_v' => [230, 230, 230], 'i_a' => [$a, $a, $a], 'pf' => [0.9, 0.9, 0.9], 'ct' => ['primary_a' => 200],
        ]];
        yield 'a hundredth of a transformer' => [...$current(1), ['ids' => 'ct-oversized']];
        yield 'a fifth of it' => [...$current(40), ['no' => 'ct-oversized']];
        yield 'all of it' => [...$current(200), ['no' => 'ct-overrange']];
        yield 'more than it' => [...$current(201), ['ids' => 'ct-overrange']];
        $shed = static fn(float $usable): array => ['shed_plan', [
            'usable_kw' => $usable, 'loads' => [['id' => 'a', 'kw' => 9.5, 'priority' => 1]],
        ]];
        yield 'a twentieth left' => [...$shed(10), ['no' => 'tight', 'headroom_kw' => 0.5]];
        yield 'less than a twentieth left' => [...$shed(9.9), ['ids' => 'tight']];
        yield 'no current says nothing of its transformers' => ['three_phase_meter', [
            'v_v' => [230, 230, 230], 'i_a' => [0, 0, 0], 'pf' => [0.9, 0.9, 0.9], 'v_deg' => [0, -120, 120], 'i_deg' => [0, -120, 120],
            'ct' => ['primary_a' => 200],
        ], ['ct_diagnosis/status' => 'no_load', 'i_unbalance_pct' => 0.0]];
    }

    #[Test, DataProvider('feeders')]
    public function a_feeder_of_the_source_is_planned_for_what_the_source_gives(
        float $plannedA,
        float $ocpdA,
        float $legA,
        ?float $breakerA,
        ?string $finding,
    ): void {
        self::assertSame($finding, SourceFeeder::judge($plannedA, $ocpdA, $legA, $breakerA)?->id);
    }

    /** @return iterable<string, array{float, float, float, ?float, ?string}> */
    public static function feeders(): iterable
    {
        yield 'the breaker is the one of the plan' => [80, 100, 90, 100, null];
        yield 'a larger breaker' => [80, 100, 90, 125, 'source-feeder-breaker-differs'];
        yield 'a smaller breaker' => [80, 100, 90, 60, null];
        yield 'the source gives more than is planned, its breaker is not known' => [80, 100, 90, null, 'source-feeder-small'];
        yield 'as much as is planned' => [90, 100, 90, null, null];
        yield 'more than the feeder and its device' => [80, 100, 120, 100, null];
    }

    /** @param list<float> $ranges nameplates in kVA */
    #[Test, DataProvider('kitchens')]
    public function ranges_count_by_their_number_and_their_size(array $ranges, float $kva): void
    {
        self::assertAnswers('demand', ['calculated' => [
            'rule' => 'standard', 'small_appliance_circuits' => 0, 'laundry_circuits' => 0,
            'ranges' => $ranges,
        ]], ['calculated/base_kva' => $kva]);
    }

    /** @return iterable<string, array{list<float>, float}> */
    public static function kitchens(): iterable
    {
        yield 'one of twelve' => [[12.0], 8.0];
        yield 'a whole kilowatt more is five percent more' => [[13.0], 8.4];
        yield 'half a kilowatt counts as a whole one' => [[12.5], 8.4];
        yield 'less than half counts as none' => [[12.4], 8.0];
        yield 'one of the column ends' => [[8.76], 8.0];
        yield 'one below it' => [[8.75], 7.0];
    }

    #[Test, DataProvider('plausible')]
    public function a_load_is_asked_back_where_no_supply_of_its_kind_carries_it(
        string $system,
        float $v,
        bool $isMobile,
        float $mostA,
    ): void {
        $legs = LegSystem::of($system, $v);
        $most = $mostA * $legs->vAllLegs() / 1000;
        self::assertNull(PlausibleLoad::doubt($legs, $isMobile, $most));
        self::assertStringContainsString("($mostA A)", (string) PlausibleLoad::doubt($legs, $isMobile, $most + 0.01));
    }

    /** @return iterable<string, array{string, float, bool, float}> */
    public static function plausible(): iterable
    {
        yield 'a vehicle' => ['split', 120, true, 60];
        yield 'a cabin' => ['single', 120, false, 400];
        yield 'a house' => ['split', 120, false, 400];
        yield 'a building' => ['three', 230, false, 4000];
    }
}
