<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\LoadTest;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\LoadTestTrend;
use Escapement\Core\LoadTest\PastTest;
use Escapement\Core\LoadTest\TrendFigure;
use Escapement\Core\LoadTest\TrendInput;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;
use Escapement\Core\Wiring\Dates;

/** `load_test_trend` on the wire. Rule: docs/rules.md#load-test-trend. */
final readonly class LoadTestTrendReader implements InputReader
{
    private const FIGURES = [
        'regulation_pct', 'droop_pct', 'oil_kpa', 'coolant_c', 'exhaust_c', 'ambient_c', 'battery_crank_v', 'start_s', 'dip_pct',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new LoadTestTrend())->judge($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): TrendInput
    {
        $in = (new Fields($node))->only(['tests', 'battery_nominal_v', 'limits', 'alpha', 'horizon_years']);
        $tests = array_map(self::test(...), $in->list('tests', 1, 200));
        $batteryV = $in->np('battery_nominal_v', TrendInput::BATTERY_V);
        $limits = self::limits($in->maybeObject('limits'));
        $alpha = $in->number('alpha', 0.001, 0.5, TrendInput::ALPHA);
        $horizon = $in->number('horizon_years', 0.1, 20, TrendInput::HORIZON_YEARS);
        foreach ($tests as $i => $test) {
            if ($i > 0 && $test->date <= $tests[$i - 1]->date) {
                throw $in->at('tests')->at($i, null)->at('date', null)->bad('The dates of the tests must rise.');
            }
        }

        if ($tests === []) {
            throw $in->at('tests')->bad('There is no test.');
        }

        return new TrendInput($tests, $batteryV, $limits, $alpha, $horizon);
    }

    private static function test(Node $node): PastTest
    {
        $in = (new Fields($node))->only(['date', 'verdict', 'fuel', 'load_pct', ...self::FIGURES, 'step_kw']);
        $date = Dates::read($in, 'date');
        $verdict = $in->oneOf('verdict', ['pass', 'fail', 'not_proven']);
        $fuel = $in->oneOf('fuel', ['natural_gas', 'lp', 'petrol', 'diesel']);
        $loadPct = $in->n0('load_pct');
        $figures = [];
        foreach (self::FIGURES as $key) {
            $figures[$key] = LoadTestReader::orNull($in, $key, -1e4, 1e4);
        }

        return new PastTest($date, $verdict, $fuel, $loadPct, $figures, $in->at('step_kw')->isNull() ? null : $in->np('step_kw'));
    }

    /** @return array<string, float> */
    private static function limits(?Fields $in): array
    {
        $names = array_column(TrendFigure::cases(), 'value');
        $in?->only($names);
        $limits = [];
        foreach ($names as $name) {
            $limit = $in?->maybeNumber($name, -1e6, 1e6);
            if ($limit !== null) {
                $limits[$name] = $limit;
            }
        }

        return $limits;
    }
}
