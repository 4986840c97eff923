<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Tests\HoldsRules;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Each rule on its own limit: the finding on one side, not on the other. Rule: loads §1 to §9. */
final class RuleEdgeTest extends TestCase
{
    use HoldsRules;

    /**
     * @param array<string, mixed> $input
     * @param list<string>         $tells
     * @param list<string>         $silent
     * @param array<string, mixed> $values
     */
    #[Test]
    #[DataProvider('demands')]
    #[DataProvider('ratings')]
    #[DataProvider('sizings')]
    #[DataProvider('starts')]
    #[DataProvider('sequences')]
    #[DataProvider('batteries')]
    #[DataProvider('jumpers')]
    #[DataProvider('fuels')]
    public function a_rule_holds_on_its_limit(string $calc, array $input, array $tells, array $silent, array $values = []): void
    {
        self::assertRule($calc, $input, $tells, $silent, $values);
    }

    /** @return iterable<string, array<mixed>> */
    public static function demands(): iterable
    {
        $measured = static fn(array $more): array => ['measured' => $more + ['peak_kw' => 10]];
        yield 'demand: a month is enough' => ['demand', $measured(['period_days' => 30]), ['record-under-year'], ['record-too-short']];
        yield 'demand: a day less is not' => ['demand', $measured(['period_days' => 29]), ['record-too-short'], ['record-under-year']];
        yield 'demand: a year' => [
            'demand',
            $measured(['period_days' => 365, 'includes_hvac' => false]),
            [],
            ['record-too-short', 'record-under-year', 'record-no-hvac'],
        ];
        yield 'demand: most of a year without heating' => [
            'demand',
            $measured(['period_days' => 364, 'includes_hvac' => false]),
            ['record-no-hvac'],
            [],
        ];
        yield 'demand: quarters of an hour' => ['demand', $measured(['interval_min' => 15]), [], ['interval-long']];
        yield 'demand: longer averages' => ['demand', $measured(['interval_min' => 15.1]), ['interval-long'], []];
        yield 'demand: in amperes on a split supply' => [
            'demand',
            ['measured' => ['peak_a' => 50, 'factor' => 1]],
            [],
            [],
            ['measured.demand_kva' => 12, 'measured.demand_a' => 50],
        ];
        yield 'demand: in amperes on one leg' => [
            'demand',
            ['system' => 'single', 'measured' => ['peak_a' => 50, 'factor' => 1]],
            [],
            [],
            ['measured.demand_kva' => 6],
        ];
        yield 'demand: in amperes on three phases' => [
            'demand',
            ['system' => 'three', 'measured' => ['peak_a' => 50, 'factor' => 1]],
            [],
            [],
            ['measured.demand_kva' => 18],
        ];
        $schedule = static fn(array $loads, array $more = []): array => $more + ['schedule' => ['loads' => $loads]];
        yield 'demand: on the limit of the legs' => [
            'demand',
            $schedule([['id' => 'a', 'kw' => 6, 'connect' => 'L1'], ['id' => 'b', 'kw' => 4, 'connect' => 'L2']]),
            [],
            ['imbalance'],
            ['schedule.imbalance_pct' => 20.0],
        ];
        yield 'demand: over it' => [
            'demand',
            $schedule([['id' => 'a', 'kw' => 6.1, 'connect' => 'L1'], ['id' => 'b', 'kw' => 4, 'connect' => 'L2']]),
            ['imbalance'],
            [],
        ];
        yield 'demand: thirds on one leg' => [
            'demand',
            $schedule([['id' => 'a', 'kw' => 6, 'connect' => 'L1', 'triplen_pct' => 50]]),
            ['triplen'],
            ['neutral-over-leg'],
            ['schedule.neutral_triplen_a' => 25],
        ];
        yield 'demand: thirds on three phases' => [
            'demand',
            $schedule(
                array_map(
                    static fn(string $leg): array => ['id' => $leg, 'kw' => 6, 'connect' => $leg, 'triplen_pct' => 40],
                    ['L1', 'L2', 'L3'],
                ),
                ['system' => 'three'],
            ),
            ['neutral-over-leg'],
            ['triplen'],
            ['schedule.neutral_triplen_a' => 60],
        ];
        yield 'demand: thirds between two lines count nothing' => [
            'demand',
            $schedule([['id' => 'a', 'kw' => 6, 'connect' => 'L1L2', 'triplen_pct' => 50]]),
            [],
            ['triplen', 'neutral-over-leg'],
        ];
        $calculated = static fn(array $more, array $around = []): array => [
            'calculated' => $more + ['small_appliance_circuits' => 0, 'laundry_circuits' => 0],
        ] + $around;
        yield 'demand: a hundred amperes' => [
            'demand',
            $calculated(['appliances' => [['id' => 'a', 'kva' => 45]]]),
            [],
            ['ten-minimum', 'ten-system'],
            ['calculated.demand_a' => 100.0],
        ];
        yield 'demand: less' => ['demand', $calculated(['appliances' => [['id' => 'a', 'kva' => 44.9]]]), ['ten-minimum'], ['ten-system']];
        yield 'demand: the method of another system' => [
            'demand',
            $calculated(['appliances' => [['id' => 'a', 'kva' => 45]]], ['system' => 'three']),
            ['ten-system'],
            [],
        ];
        yield 'demand: the method of another voltage' => ['demand', $calculated([], ['v_ln_v' => 230]), ['ten-system'], []];
        yield 'demand: an old house has no such rule' => ['demand', $calculated(['rule' => 'eight']), [], ['ten-minimum', 'ten-system']];
        yield 'demand: a charger counts 7.2 at least' => [
            'demand',
            $calculated(['ev' => [['id' => 'a', 'kva' => 3]]]),
            [],
            ['ev-managed'],
            ['calculated.ev_kva' => 7.2, 'calculated.demand_kva' => 7.2],
        ];
        yield 'demand: a charger that is held' => [
            'demand',
            $calculated(['ev' => [['id' => 'a', 'kva' => 9.6, 'limit_kva' => 3]]]),
            ['ev-managed'],
            [],
            ['calculated.ev_kva' => 3],
        ];
        yield 'demand: chargers in the rest' => [
            'demand',
            $calculated(['ev_at' => 'rest', 'ev' => [['id' => 'a', 'kva' => 20]]]),
            [],
            [],
            ['calculated.general_kva' => 20, 'calculated.demand_kva' => 14],
        ];
        $standard = static fn(array $more): array => $calculated($more + ['rule' => 'standard']);
        yield 'demand: standard, lights' => [
            'demand',
            $standard(['floor_area_ft2' => 2000]),
            [],
            [],
            ['calculated.base_kva' => 3 + 3 * .35],
        ];
        yield 'demand: standard, many lights' => [
            'demand',
            $standard(['floor_area_ft2' => 50_000]),
            [],
            [],
            ['calculated.base_kva' => 3 + 117 * .35 + 30 * .25],
        ];
        $appliances = static fn(int $n): array => array_map(static fn(int $i): array => ['id' => "a$i", 'kva' => 1], range(1, $n));
        yield 'demand: standard, three appliances' => [
            'demand',
            $standard(['appliances' => $appliances(3)]),
            [],
            [],
            ['calculated.base_kva' => 3],
        ];
        yield 'demand: standard, four' => ['demand', $standard(['appliances' => $appliances(4)]), [], [], ['calculated.base_kva' => 3]];
        yield 'demand: standard, a small dryer counts five' => [
            'demand',
            $standard(['dryers' => [4.5, 5.6]]),
            [],
            [],
            ['calculated.base_kva' => 10.6],
        ];
        yield 'demand: standard, a range of 12' => ['demand', $standard(['ranges' => [12]]), [], [], ['calculated.base_kva' => 8]];
        yield 'demand: standard, a range of 12.5' => ['demand', $standard(['ranges' => [12.5]]), [], [], ['calculated.base_kva' => 8.4]];
        yield 'demand: standard, a range of 8.75' => ['demand', $standard(['ranges' => [8.75]]), [], [], ['calculated.base_kva' => 7]];
        yield 'demand: standard, a cooktop' => ['demand', $standard(['ranges' => [3.4]]), [], [], ['calculated.base_kva' => 3.4 * .8]];
        yield 'demand: standard, the largest motor' => [
            'demand',
            $standard(['largest_motor_kva' => 4, 'hvac' => ['heating_kva' => 10]]),
            [],
            [],
            ['calculated.base_kva' => 1, 'calculated.demand_kva' => 11],
        ];
        yield 'demand: the two schools far apart' => [
            'demand',
            ['calculated' => ['appliances' => [['id' => 'a', 'kva' => 40]]], 'measured' => ['peak_kw' => 4]],
            ['schools-differ'],
            [],
            ['design_from' => 'calculated'],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function ratings(): iterable
    {
        $set = static fn(array $more): array => [
            'kind' => 'generator',
            'generator' => $more + ['fuel' => 'lp', 'ratings_kw' => ['lp' => 20]],
        ];
        yield 'rating: at sea and cool' => [
            'source_rating',
            $set(['temp_c' => 16]),
            [],
            ['derate-generic', 'derate-heavy', 'fuel-factor-assumed'],
            ['engine_kw' => 20, 'limited_by' => 'engine'],
        ];
        yield 'rating: high' => [
            'source_rating',
            $set(['altitude_ft' => 5000, 'temp_c' => 16]),
            ['derate-generic'],
            ['derate-heavy'],
            ['factor' => 1 - .175],
        ];
        yield 'rating: higher' => ['source_rating', $set(['altitude_ft' => 6000, 'temp_c' => 16]), ['derate-heavy'], [], ['factor' => .79]];
        yield 'rating: so high that nothing is left' => [
            'source_rating',
            $set(['altitude_ft' => 20_000, 'altitude_pct_per_1000_ft' => 10]),
            ['no-rating-left'],
            [],
            ['usable_kw' => 0],
        ];
        yield 'rating: by the maker\'s own slope' => [
            'source_rating',
            $set(['altitude_ft' => 5000, 'altitude_pct_per_1000_ft' => 2, 'temp_c' => 16]),
            [],
            ['derate-generic'],
            ['factor' => .9],
        ];
        yield 'rating: added, not multiplied' => [
            'source_rating',
            $set(['altitude_ft' => 5000, 'temp_c' => 26, 'combine' => 'add']),
            [],
            [],
            ['factor' => 1 - .175 - .018],
        ];
        yield 'rating: from another fuel' => [
            'source_rating',
            ['kind' => 'generator', 'generator' => ['fuel' => 'natural_gas', 'ratings_kw' => ['lp' => 18]]],
            ['fuel-factor-assumed'],
            [],
            ['rated_kw' => 16.0],
        ];
        yield 'rating: a breaker on its next size' => [
            'source_rating',
            $set(['breaker_a' => 110]),
            [],
            ['breaker-large'],
            ['rated_a' => 20_000 / 240, 'breaker_next_a' => 90],
        ];
        yield 'rating: a breaker beyond it' => ['source_rating', $set(['breaker_a' => 125]), ['breaker-large'], []];
        yield 'rating: a breaker that limits' => [
            'source_rating',
            $set(['breaker_a' => 50]),
            ['breaker-limits'],
            [],
            ['usable_kw' => 12, 'limited_by' => 'breaker'],
        ];
        yield 'rating: the same breaker under a load that lasts' => [
            'source_rating',
            $set(['breaker_a' => 50, 'continuous_load' => true]),
            ['breaker-limits'],
            [],
            ['usable_kw' => 9.6],
        ];
        yield 'rating: an average on its limit' => ['source_rating', $set(['average_kw' => 14, 'temp_c' => 16]), [], ['average-over-70']];
        yield 'rating: an average over it' => ['source_rating', $set(['average_kw' => 14.1, 'temp_c' => 16]), ['average-over-70'], []];
        $station = static fn(array $more): array => [
            'kind' => 'inverter',
            'inverter' => $more + ['continuous_kw' => 6, 'battery_kwh' => 10],
        ];
        yield 'rating: a plug smaller than what is behind it' => [
            'source_rating',
            $station(['outlet_a' => 20]),
            ['outlet-limits'],
            ['leg-limits'],
            ['usable_kw' => 4.8, 'leg_kw' => 2.4],
        ];
        yield 'rating: each leg gives a third' => [
            'source_rating',
            $station(['leg_kw' => 2]),
            ['leg-limits'],
            ['outlet-limits'],
            ['leg_a' => 2000 / 120, 'legs' => 2],
        ];
        yield 'rating: one leg where two are wanted' => [
            'source_rating',
            $station(['output' => 'single_120', 'needs_240' => true]),
            ['no-240'],
            [],
            ['legs' => 1],
        ];
        yield 'rating: what the battery gives' => [
            'source_rating',
            $station(['count' => 2, 'extra_battery_kwh' => 5]),
            [],
            [],
            ['usable_kwh' => 25 * .9 * .9, 'usable_kw' => 12],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function sizings(): iterable
    {
        $load = static fn(string $id, float $kw, array $more = []): array => $more + ['id' => $id, 'kw' => $kw];
        $of = static fn(array $loads, array $more = []): array => $more + ['usable_kw' => 10, 'loads' => $loads];
        yield 'sizing: fits with room' => [
            'sizing',
            $of([$load('a', 8)]),
            [],
            ['headroom-low', 'nothing-fits', 'leg-imbalance'],
            ['recommendation' => 'whole', 'options.whole.headroom_pct' => 20.0],
        ];
        yield 'sizing: fits without room' => [
            'sizing',
            $of([$load('a', 8.1)]),
            ['headroom-low'],
            ['nothing-fits'],
            ['recommendation' => 'whole'],
        ];
        yield 'sizing: nothing fits' => [
            'sizing',
            $of([$load('a', 11, ['essential' => true])]),
            ['nothing-fits'],
            [],
            ['recommendation' => 'none', 'chosen' => 'none'],
        ];
        yield 'sizing: what must run does not fit by itself' => [
            'sizing',
            $of([$load('a', 11, ['must_run' => true])]),
            ['must-run-overload', 'must-run-not-essential', 'nothing-fits'],
            [],
        ];
        yield 'sizing: chosen by hand against the machine' => [
            'sizing',
            $of([$load('a', 11), $load('b', 2, ['essential' => true])], ['choice' => 'whole', 'transfer' => 'manual']),
            ['manual-overload'],
            ['auto-overload'],
        ];
        yield 'sizing: chosen against the machine' => [
            'sizing',
            $of([$load('a', 11), $load('b', 2, ['essential' => true])], ['choice' => 'whole']),
            ['auto-overload'],
            ['manual-overload'],
        ];
        yield 'sizing: legs on the limit' => [
            'sizing',
            $of([$load('a', 3, ['connect' => 'L1']), $load('b', 2, ['connect' => 'L2'])]),
            [],
            ['leg-imbalance'],
            ['options.whole.imbalance_pct' => 20.0],
        ];
        yield 'sizing: legs over it' => [
            'sizing',
            $of([$load('a', 3.1, ['connect' => 'L1']), $load('b', 2, ['connect' => 'L2'])]),
            ['leg-imbalance'],
            [],
        ];
        yield 'sizing: managed without a manager' => [
            'sizing',
            $of([$load('a', 8), $load('b', 4, ['managed' => true])], ['choice' => 'managed']),
            ['no-load-management'],
            [],
        ];
        yield 'sizing: the essential first, by choice of school' => [
            'sizing',
            $of([$load('a', 5), $load('b', 2, ['essential' => true])], ['prefer' => 'essential_first']),
            [],
            [],
            ['recommendation' => 'essential'],
        ];
        yield 'sizing: a diversity that was measured' => [
            'sizing',
            $of([$load('a', 12)], ['demand_kw' => 6]),
            ['demand-used'],
            [],
            ['scale' => .5, 'options.whole.kw' => 6],
        ];
        $unmanaged = [$load('a', 8), $load('b', 4, ['managed' => true])];
        yield 'sizing: the diversity of the whole is a ceiling for the rest' => [
            'sizing',
            $of($unmanaged, ['demand_kw' => 6, 'load_management' => true]),
            ['demand-used'],
            [],
            ['scale' => .5, 'managed_scale' => .75, 'options.managed.kw' => 6.0],
        ];
        yield 'sizing: the rest is not scaled below its own demand' => [
            'sizing',
            $of($unmanaged, ['demand_kw' => 11, 'load_management' => true]),
            ['demand-used'],
            [],
            ['managed_scale' => 1, 'options.managed.kw' => 8.0],
        ];
        yield 'sizing: the demand of the rest' => [
            'sizing',
            $of($unmanaged, ['managed_demand_kw' => 4, 'load_management' => true]),
            ['demand-used'],
            [],
            ['scale' => 1, 'managed_scale' => .5],
        ];
        yield 'sizing: one leg' => [
            'sizing',
            ['system' => 'single', 'usable_kw' => 3, 'loads' => [$load('a', 2)]],
            [],
            ['leg-imbalance'],
            ['options.whole.leg_a' => [2000 / 120]],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function starts(): iterable
    {
        $motor = static fn(array $motor, array $source = [], array $more = []): array => $more + [
            'motor' => $motor + ['phases' => 3, 'v_v' => 208],
            'source' => $source + ['kind' => 'generator', 'rated_kva' => 50],
        ];
        $code = static fn(string $letter, string $bound): array => $motor(['hp' => 10, 'code' => $letter], [], ['code_bound' => $bound]);
        yield 'start: the upper bound of a letter' => [
            'motor_start',
            $code('G', 'upper'),
            [],
            ['code-open-ended', 'start-estimated'],
            ['lrc_kva' => 62.9, 'basis' => 'code'],
        ];
        yield 'start: its lower bound' => ['motor_start', $code('G', 'lower'), [], [], ['lrc_kva' => 56]];
        yield 'start: its middle' => ['motor_start', $code('G', 'mid'), [], [], ['lrc_kva' => (5.6 + 6.29) / 2 * 10]];
        yield 'start: a letter without an end' => ['motor_start', $code('V', 'upper'), ['code-open-ended'], [], ['lrc_kva' => 224]];
        yield 'start: estimated' => [
            'motor_start',
            $motor(['fla_a' => 28]),
            ['start-estimated', 'generic-reactance'],
            [],
            ['lrc_kva' => sqrt(3) * 208 * 28 * 6 / 1000],
        ];
        // k = 50 ÷ 0.25 = 200: 50 kVA dip 20 %.
        $lra = static fn(float $kva, array $source = [], array $more = []): array => $motor(
            ['phases' => 1, 'v_v' => 1000, 'lra_a' => $kva],
            $source,
            $more,
        );
        yield 'start: on the target' => [
            'motor_start',
            $lra(50),
            ['contactor-pull-in'],
            ['dip-over-target', 'dip-over-limit', 'dip-severe', 'contactor-dropout'],
            ['dip_pct' => 20, 'max_start_kva' => 50],
        ];
        yield 'start: over it' => [
            'motor_start',
            $lra(50.1),
            ['dip-over-target', 'soft-start-helps'],
            ['dip-over-limit', 'no-method-helps'],
            ['ok' => true, 'recommended' => 'soft_start'],
        ];
        yield 'start: over it, by the strict school' => [
            'motor_start',
            $lra(50.1) + ['strict' => true],
            ['dip-over-limit', 'soft-start-helps'],
            ['dip-over-target'],
            ['ok' => false, 'stop_pct' => 20.0],
        ];
        yield 'start: short of the stop' => [
            'motor_start',
            $lra(85.7),
            ['dip-over-target'],
            ['dip-over-limit'],
            ['ok' => true, 'limit_pct' => 20.0, 'stop_pct' => 30.0],
        ];
        yield 'start: over the stop' => ['motor_start', $lra(85.8), ['dip-over-limit'], ['dip-over-target', 'dip-severe'], ['ok' => false]];
        yield 'start: by a limit of its own' => [
            'motor_start',
            $lra(50.1) + ['dip_limit_pct' => 20],
            ['dip-over-limit'],
            ['dip-over-target'],
        ];
        yield 'start: severe' => ['motor_start', $lra(108), ['dip-severe', 'contactor-dropout', 'dip-over-limit'], ['contactor-pull-in']];
        yield 'start: not severe yet' => ['motor_start', $lra(107), ['contactor-dropout'], ['dip-severe']];
        yield 'start: no way helps' => ['motor_start', $lra(215), ['no-method-helps'], ['soft-start-helps'], ['recommended' => null]];
        yield 'start: the engine is overloaded' => [
            'motor_start',
            $lra(50, ['usable_kw' => 40, 'running_kw' => 32]),
            ['engine-overload-start'],
            [],
            ['start_kw' => 50 * .64 * .4],
        ];
        yield 'start: the engine bears it' => [
            'motor_start',
            $lra(50, ['usable_kw' => 40, 'running_kw' => 31]),
            [],
            ['engine-overload-start'],
        ];
        yield 'start: torque too low' => [
            'motor_start',
            $motor(['lra_a' => 100, 'method' => 'star_delta', 'load_torque_pct' => 34]),
            ['torque-low'],
            [],
            ['torque_pct' => 100 / 3],
        ];
        yield 'start: on an inverter' => [
            'motor_start',
            ['motor' => ['phases' => 1, 'v_v' => 120, 'lra_a' => 50], 'source' => ['kind' => 'inverter', 'surge_kva' => 6]],
            [],
            ['inverter-surge'],
            ['ok' => true, 'k_kva' => null],
        ];
        yield 'start: too much for an inverter' => [
            'motor_start',
            ['motor' => ['phases' => 1, 'v_v' => 120, 'lra_a' => 51], 'source' => ['kind' => 'inverter', 'surge_kva' => 6]],
            ['inverter-surge'],
            [],
            ['ok' => false],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function sequences(): iterable
    {
        $of = static fn(array $loads, array $more = []): array => $more + ['usable_kw' => 10, 'k_kva' => 80, 'loads' => $loads];
        $two = [['id' => 'a', 'kw' => 2], ['id' => 'b', 'kw' => 3]];
        yield 'sequence: five seconds between two' => [
            'step_sequence',
            $of($two, ['step_s' => 5, 'first_step_s' => 5]),
            [],
            ['step-short', 'first-step-short'],
            ['last_t_s' => 10],
        ];
        yield 'sequence: less' => [
            'step_sequence',
            $of($two, ['step_s' => 4.9, 'first_step_s' => 4.9]),
            ['step-short', 'first-step-short'],
            [],
        ];
        yield 'sequence: less, for one alone' => ['step_sequence', $of([$two[0]], ['step_s' => 4.9]), [], ['step-short']];
        yield 'sequence: none at all' => [
            'step_sequence',
            $of([], ['first_step_s' => 1]),
            [],
            ['first-step-short'],
            ['last_t_s' => null, 'worst_dip_pct' => 0],
        ];
        yield 'sequence: what runs already is too much' => [
            'step_sequence',
            $of($two, ['base_kw' => 10.1]),
            ['base-overload', 'load-not-returned'],
            [],
            ['order' => []],
        ];
        yield 'sequence: a start on the limit' => [
            'step_sequence',
            $of([['id' => 'a', 'kw' => 2, 'start_kva' => 20]]),
            [],
            ['load-not-returned'],
            ['worst_dip_pct' => 20],
        ];
        yield 'sequence: a start over it' => [
            'step_sequence',
            $of([['id' => 'a', 'kw' => 2, 'start_kva' => 34.3, 'must_run' => true]]),
            ['must-run-not-returned'],
            ['load-not-returned'],
            ['not_returned' => [['id' => 'a', 'reason' => 'start']]],
        ];
        yield 'sequence: a compressor without its rest' => [
            'step_sequence',
            $of([['id' => 'a', 'kw' => 2, 'compressor' => true, 'lockout_s' => 179]]),
            ['lockout-short'],
            [],
        ];
        yield 'sequence: it waits as long as it was not dark' => [
            'step_sequence',
            $of([['id' => 'a', 'kw' => 2, 'compressor' => true]], ['dark_s' => 150]),
            [],
            ['lockout-short'],
            ['last_t_s' => 30],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function batteries(): iterable
    {
        $of = static fn(array $more): array => $more + ['battery_kwh' => 10, 'idle_kw' => 0, 'loads' => [['id' => 'a', 'kw' => .9]]];
        yield 'battery: nothing draws' => ['battery_runtime', $of(['loads' => []]), ['no-drain'], ['empty'], ['runtime_h' => null]];
        yield 'battery: a kilowatt' => [
            'battery_runtime',
            $of([]),
            [],
            ['no-drain', 'empty', 'inverter-overload'],
            ['usable_kwh' => 9, 'runtime_h' => 9.0],
        ];
        yield 'battery: empty' => ['battery_runtime', $of(['start_soc_pct' => 10]), ['empty'], [], ['usable_kwh' => 0]];
        yield 'battery: charged in a circle' => [
            'battery_runtime',
            $of(['charger' => ['kw' => .9]]),
            ['charger-loop'],
            [],
            ['loop_loss_kw' => 1 - .9 * .85],
        ];
        yield 'battery: the charger is off' => [
            'battery_runtime',
            $of(['charger' => ['kw' => .9, 'on' => false]]),
            [],
            ['charger-loop'],
            ['lost_h' => 0],
        ];
        yield 'battery: lead, deep and fast' => [
            'battery_runtime',
            $of(['chemistry' => 'lead', 'dod_pct' => 51, 'loads' => [['id' => 'a', 'kw' => 1.9]]]),
            ['dod-deep', 'lead-high-rate'],
            [],
        ];
        yield 'battery: lead, on its limits' => [
            'battery_runtime',
            $of(['chemistry' => 'lead', 'dod_pct' => 50, 'loads' => [['id' => 'a', 'kw' => 1.8]]]),
            [],
            ['dod-deep', 'lead-high-rate'],
            ['drain_kw' => 2],
        ];
        yield 'battery: more than the inverter gives' => ['battery_runtime', $of(['continuous_kw' => .8]), ['inverter-overload'], []];
    }

    /** @return iterable<string, array<mixed>> */
    public static function jumpers(): iterable
    {
        $of = static fn(array $more): array => $more + [
            'maker_allows' => 'yes',
            'alternate_ever_240' => false,
            'inverter_kw' => 3,
            'inverter_a' => 30,
            'feeder_neutral_a' => 55,
            'loads' => [['id' => 'a', 'kw' => 1.5, 'connect' => 'L1'], ['id' => 'b', 'kw' => 1.5, 'connect' => 'L2']],
        ];
        yield 'jumper: allowed' => [
            'single_leg_jumper',
            $of([]),
            ['label-input', 'breaker-relied-on'],
            ['inverter-overload', 'feeder-neutral-overload', 'no-240-loads'],
            ['allowed' => true, 'total_a' => 25, 'feeder_neutral_a' => 30, 'max_kw' => 3],
        ];
        yield 'jumper: the maker says no' => [
            'single_leg_jumper',
            $of(['maker_allows' => 'no']),
            ['jumper-not-allowed'],
            ['jumper-unconfirmed'],
            ['allowed' => false],
        ];
        yield 'jumper: nobody asked' => [
            'single_leg_jumper',
            $of(['maker_allows' => 'unknown']),
            ['jumper-unconfirmed'],
            ['jumper-not-allowed'],
        ];
        yield 'jumper: the other source has 240 V' => ['single_leg_jumper', $of(['alternate_ever_240' => true]), ['alternate-240'], []];
        yield 'jumper: more than the inverter gives' => [
            'single_leg_jumper',
            $of(['inverter_kw' => 2.9]),
            ['inverter-overload'],
            [],
            ['max_kw' => 2.9],
        ];
        yield 'jumper: the neutral of the feeder' => [
            'single_leg_jumper',
            $of(['feeder_neutral_a' => 29.9]),
            ['feeder-neutral-overload'],
            ['breaker-relied-on'],
        ];
        yield 'jumper: the neutral by what is really drawn' => [
            'single_leg_jumper',
            $of(['feeder_neutral_a' => 25, 'check' => 'actual']),
            [],
            ['feeder-neutral-overload', 'breaker-relied-on'],
            ['feeder_neutral_a' => 25],
        ];
        yield 'jumper: a shared neutral' => [
            'single_leg_jumper',
            $of(['multiwire' => [['id' => 'm', 'l1_breaker_a' => 15, 'l2_breaker_a' => 15, 'neutral_a' => 20]]]),
            ['multiwire-neutral-overload'],
            [],
            ['multiwire.0.neutral_a' => 30, 'multiwire.0.ok' => false],
        ];
        yield 'jumper: an appliance between the legs' => [
            'single_leg_jumper',
            $of(['loads' => [['id' => 'oven', 'kw' => 2, 'connect' => 'L1L2']]]),
            ['no-240-loads'],
            [],
            ['cannot_run' => ['oven'], 'total_kw' => 0],
        ];
    }

    /** @return iterable<string, array<mixed>> */
    public static function fuels(): iterable
    {
        $of = static fn(string $fuel, array $more): array => $more + ['fuel' => $fuel, 'rated_kw' => 20, 'load_kw' => 10];
        yield 'fuel: full load' => [
            'fuel',
            $of('diesel', ['load_kw' => 20]),
            ['generic-rate'],
            ['overload'],
            ['rate.l_h' => 5.6, 'load_pct' => 100],
        ];
        yield 'fuel: overload' => ['fuel', $of('diesel', ['load_kw' => 20.1]), ['overload'], []];
        $table = static fn(string $fuel, string $unit): array => $of(
            $fuel,
            ['table_unit' => $unit, 'table' => [['load_pct' => 0, 'rate' => 1], ['load_pct' => 100, 'rate' => 3]]],
        );
        yield 'fuel: gallons' => [
            'fuel',
            $table('diesel', 'gal_h'),
            [],
            ['generic-rate'],
            ['rate.gal_h' => 2, 'rate.l_h' => 2 * 3.785411784, 'rate.btuh' => null],
        ];
        yield 'fuel: cubic feet' => [
            'fuel',
            $table('natural_gas', 'ft3_h'),
            [],
            [],
            ['rate.ft3_h' => 2, 'rate.btuh' => 2060, 'btuh_full' => 3090],
        ];
        yield 'fuel: cubic metres' => ['fuel', $table('natural_gas', 'm3_h'), [], [], ['rate.m3_h' => 2, 'rate.ft3_h' => 2 * 35.3146667]];
        yield 'fuel: gallons of LP' => ['fuel', $table('lp', 'gal_h'), [], [], ['rate.btuh' => 183_000, 'rate.gal_h' => 2]];
        yield 'fuel: litres of LP' => ['fuel', $table('lp', 'l_h'), [], [], ['rate.l_h' => 2, 'rate.btuh' => 2 / 3.785411784 * 91_500]];
        $tank = static fn(array $tank): array => $of('lp', ['tank' => $tank + ['capacity_gal' => 500]]);
        yield 'fuel: a tank at its reserve' => [
            'fuel',
            $tank(['level_pct' => 20]),
            ['tank-empty'],
            ['lp-overfill'],
            ['tank.usable_gal' => 0],
        ];
        yield 'fuel: a full tank' => ['fuel', $tank(['level_pct' => 80]), [], ['tank-empty', 'lp-overfill'], ['tank.usable_gal' => 300]];
        yield 'fuel: a tank too full' => ['fuel', $tank(['level_pct' => 80.1]), ['lp-overfill'], []];
        $vapour = static fn(float $c): array => $of('lp', ['vapour' => ['tank_gal' => 500, 'temp_c' => $c]]);
        yield 'fuel: vapour on a cold day' => ['fuel', $vapour(-6.7), [], ['vapour-extrapolated', 'vapour-short'], []];
        yield 'fuel: vapour on a warm one' => [
            'fuel',
            $vapour(0),
            ['vapour-extrapolated'],
            ['vapour-short'],
            ['vapour.btuh' => 37.0 * 119 * 60 * 2.6, 'vapour.liquid_pct' => 20.0],
        ];
        yield 'fuel: vapour at the reserve of the tank' => [
            'fuel',
            ['tank' => ['capacity_gal' => 500, 'reserve_pct' => 30]] + $vapour(-6.7),
            [],
            [],
            ['vapour.liquid_pct' => 30.0],
        ];
        yield 'fuel: vapour of less liquid than the reserve' => [
            'fuel',
            array_replace_recursive($vapour(-6.7), ['vapour' => ['liquid_pct' => 15]]),
            [],
            [],
            ['vapour.liquid_pct' => 15.0],
        ];
        yield 'fuel: vapour in bitter frost' => ['fuel', $vapour(-28.9), ['vapour-short'], ['vapour-extrapolated']];
        $gas = static fn(array $gas): array => $of('lp', ['gas' => $gas + ['house_btuh' => 100_000]]);
        yield 'fuel: a regulator for itself' => [
            'fuel',
            $gas(['generator_regulator_btuh' => 330_000, 'house_regulator_btuh' => 100_000]),
            [],
            ['regulator-small', 'shared-regulator'],
            ['gas.total_btuh' => 430_000],
        ];
        yield 'fuel: the house\'s own too small' => ['fuel', $gas(['house_regulator_btuh' => 99_999]), ['regulator-small'], []];
        yield 'fuel: one for both' => [
            'fuel',
            $gas(['shared_regulator' => true, 'generator_regulator_btuh' => 429_999]),
            ['regulator-small', 'shared-regulator'],
            [],
        ];
        yield 'fuel: a meter too small' => ['fuel', $gas(['meter_btuh' => 429_999]), ['meter-small'], []];
        $pressure = static fn(array $p): array => $of('natural_gas', ['pressure' => $p]);
        yield 'fuel: pressure on its limits' => [
            'fuel',
            $pressure(['static_inwc' => 7, 'loaded_inwc' => 5.5]),
            [],
            ['pressure-high', 'pressure-low', 'pressure-sag', 'loaded-not-measured'],
            ['pressure.sag_inwc' => 1.5],
        ];
        yield 'fuel: pressure over its limits' => [
            'fuel',
            $pressure(['static_inwc' => 7.1, 'loaded_inwc' => 5.5]),
            ['pressure-high', 'pressure-sag'],
            ['pressure-low'],
        ];
        yield 'fuel: pressure too low under load' => [
            'fuel',
            $pressure(['static_inwc' => 4, 'loaded_inwc' => 3.4]),
            ['pressure-low'],
            ['pressure-sag'],
        ];
        yield 'fuel: pressure at rest alone' => ['fuel', $pressure(['static_inwc' => 6]), ['loaded-not-measured'], []];
        $pipe = static fn(array $pipe): array => $of('natural_gas', ['pipe' => $pipe + ['length_ft' => 50]]);
        yield 'fuel: a pipe too small' => ['fuel', $pipe(['size' => '1/2']), ['pipe-small'], ['pipe-none'], ['pipe.ok' => false]];
        yield 'fuel: no pipe is large enough' => [
            'fuel',
            $pipe(['demand_btuh' => 20_000_000]),
            ['pipe-none'],
            [],
            ['pipe.min_size' => null],
        ];
    }
}
