<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\LaterRules;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\GovernorClass;
use Escapement\Core\LoadTest\LoadTestEvaluation;
use Escapement\Core\LoadTest\LoadTestInput;
use Escapement\Core\LoadTest\Recovery;
use Escapement\Core\LoadTest\SeenStep;
use Escapement\Core\LoadTest\TestLimits;
use Escapement\Core\LoadTest\TestReading;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `load_test_evaluate` on the wire. Rule: docs/rules.md#load-test-evaluate. */
final readonly class LoadTestReader implements InputReader
{
    private const KEYS = [
        'profile', 'steps', 'class_min', 'fuel', 'nameplate_kw', 'basis', 'usable_kw', 'rated_a', 'phases', 'nominal_v', 'nominal_hz',
        'governor', 'hz_limit_pct', 'v_limit_pct', 'droop_limit_pct', 'level_tolerance_pct', 'max_gap_s', 'class', 'min_exhaust_c',
        'min_oil_kpa', 'min_coolant_c', 'max_coolant_c', 'battery_nominal_v', 'readings', 'steps_seen', 'previous',
    ];
    private const READING = ['t_s', 'v_v', 'a_a', 'hz', 'kw', 'pf', 'oil_kpa', 'coolant_c', 'exhaust_c', 'battery_v'];
    private const STEP = [
        't_s', 'from_kw', 'to_kw', 'v_extreme_v', 'v_recovery_s', 'v_recoveries_s', 'hz_before_hz', 'hz_extreme_hz', 'hz_recovery_s',
        'hz_recoveries_s',
    ];
    private const MOST_FIGURES = 100;
    private const PREVIOUS = ['regulation_pct', 'droop_pct', 'oil_kpa', 'coolant_c', 'exhaust_c'];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new LoadTestEvaluation($this->input($node)))->result());
    }

    /** @throws BadInput */
    public function input(Node $node): LoadTestInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $rules = new LaterRules();
        $fields = new TestBaseFields($in, $rules);
        $fuel = $fields->fuel();
        $nameplateKw = $in->np('nameplate_kw');
        $basis = $fields->basis();
        $base = $fields->base($fuel, $nameplateKw, $basis, $in->np('usable_kw', $nameplateKw));
        $ratedA = $in->maybeNp('rated_a');
        $phases = $in->int('phases', 1, 3, 2);
        $limits = $this->limits($in, $ratedA);
        $readings = array_map(self::reading(...), $in->list('readings', 1, 5000));
        $rules->add(static fn() => self::checkReadings($in->at('readings'), $readings, $phases));
        $steps = array_map(self::step(...), $in->maybeList('steps_seen', 0, 200) ?? []);
        $previous = $in->maybeObject('previous');
        $figures = $previous === null ? null : self::figures($previous->only(self::PREVIOUS), self::PREVIOUS);
        $rules->check();
        if ($readings === []) {
            throw $in->at('readings')->bad('A test has a reading.');
        }

        return new LoadTestInput($base, $limits, $readings, $steps, $figures);
    }

    private function limits(Fields $in, ?float $ratedA): TestLimits
    {
        $nominalV = $in->np('nominal_v', 120.0);
        $nominalHz = $in->np('nominal_hz', 60.0);
        $droops = $in->oneOf('governor', ['isochronous', 'droop'], 'isochronous') === 'droop';

        return new TestLimits(
            $nominalV,
            $nominalHz,
            $in->np('hz_limit_pct', $droops ? 5.0 : 0.5),
            $in->np('v_limit_pct', 5.0),
            $in->np('droop_limit_pct', 5.0),
            $in->number('level_tolerance_pct', 0, 10, 0.0),
            $in->np('max_gap_s', 1200.0),
            GovernorClass::from($in->oneOf('class', ['G1', 'G2', 'G3'], 'G2')),
            $ratedA,
            $in->maybeNumber('min_exhaust_c', -1e4, 1e4),
            $in->n0('min_oil_kpa', 140.0),
            $in->number('min_coolant_c', -1e4, 1e4, 70.0),
            $in->number('max_coolant_c', -1e4, 1e4, 105.0),
            $in->np('battery_nominal_v', 12.0),
        );
    }

    /** @param list<TestReading> $readings */
    private static function checkReadings(Node $list, array $readings, int $phases): void
    {
        foreach ($readings as $i => $reading) {
            if ($i > 0 && $reading->tS <= $readings[$i - 1]->tS) {
                throw $list->at($i, null)->at('t_s', null)->bad('The times of the readings must rise.');
            }
            foreach (['v_v' => $reading->vV, 'a_a' => $reading->aA] as $key => $values) {
                if (count($values) !== $phases) {
                    throw $list->at($i, null)->at($key, null)->bad("There are $phases figures here, one a phase.");
                }
            }
        }
    }

    private static function reading(Node $node): TestReading
    {
        $in = (new Fields($node))->only(self::READING);
        $tS = $in->n0('t_s');
        $of = static fn(string $key): array => array_map(
            static fn(Node $one): float => (float) $one->number(0, 1e9),
            $in->list($key, 0, self::MOST_FIGURES),
        );
        $volts = $of('v_v');
        $amps = $of('a_a');
        $hz = $in->n0('hz');
        $kw = self::orNull($in, 'kw', 0, 1e9);
        $pf = $in->number('pf', 0, 1, 1.0);
        $apparent = array_sum(array_map(static fn(?float $v, ?float $a): float => (float) $v * (float) $a, $volts, $amps));
        $figure = static fn(string $key): ?float => self::orNull($in, $key, -1e4, 1e4);

        return new TestReading(
            $tS,
            $volts,
            $amps,
            $hz,
            $kw ?? $apparent * $pf / 1000,
            $figure('oil_kpa'),
            $figure('coolant_c'),
            $figure('exhaust_c'),
            $figure('battery_v'),
        );
    }

    private static function step(Node $node): SeenStep
    {
        $in = (new Fields($node))->only(self::STEP);
        $tS = $in->n0('t_s');
        $fromKw = $in->n0('from_kw');
        $toKw = $in->n0('to_kw');
        $vExtreme = $in->n0('v_extreme_v');
        $vRecovery = self::recovery($in, 'v');
        $hzBefore = $in->n0('hz_before_hz');
        $hzExtreme = $in->n0('hz_extreme_hz');

        return new SeenStep($tS, $fromKw, $toKw, $vExtreme, $vRecovery, $hzBefore, $hzExtreme, self::recovery($in, 'hz'));
    }

    private static function recovery(Fields $in, string $of): Recovery
    {
        $seconds = self::orNull($in, "{$of}_recovery_s", 0, 1e9);
        $fields = $in->maybeObject("{$of}_recoveries_s")?->only(['G1', 'G2', 'G3']);
        if ($fields === null) {
            return new Recovery($seconds);
        }
        $byClass = [];
        foreach (['G1', 'G2', 'G3'] as $class) {
            if (! $fields->has($class)) {
                throw BadInput::missing($fields->at($class)->path);
            }
            $byClass[$class] = self::orNull($fields, $class, 0, 1e9);
        }

        return new Recovery($seconds, $byClass);
    }

    /**
     * @param list<string> $keys
     *
     * @return array<string, ?float>
     */
    private static function figures(Fields $in, array $keys): array
    {
        $figures = [];
        foreach ($keys as $key) {
            $figures[$key] = self::orNull($in, $key, -1e4, 1e4);
        }

        return $figures;
    }

    /** Null both for an absent key and for null. */
    public static function orNull(Fields $in, string $key, float $min, float $max): ?float
    {
        $node = $in->at($key);

        return $node->isNull() ? null : (float) $node->number($min, $max);
    }
}
