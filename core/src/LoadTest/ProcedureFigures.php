<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\Tolerance;

/**
 * What a load test has read already for the steps on load of a procedure, so that nobody is asked twice. Volts and hertz are those of
 * the reading with most power; amperes only without a bank, whose current is not the building's. A dip is that of the recorded step up
 * whose end is nearest to the level asked, within a twentieth of the set. Rule: docs/rules.md#load-test-evaluate.
 */
final readonly class ProcedureFigures
{
    private const STAGE = 'on_load_checks';
    private const QUARTERS = [25, 50, 75, 100];
    private const NEAR_PCT = 5;

    /** @return array<string, WorkingLine> by the id of the step */
    public static function of(LoadTestInput $test, bool $hasBank): array
    {
        $record = new TestRecord($test);
        $top = $record->top;
        $where = sprintf('load test, %.4g kW after %d min', $top->kw, (int) round($top->tS / 60));
        $figures = ['generator-hz' => new WorkingLine('Frequency', $where, $top->hz, 'Hz')];
        foreach ($top->vV as $leg => $volts) {
            $figures['generator-volts-L' . ($leg + 1)] = new WorkingLine('Volts', $where, $volts, 'V');
        }
        foreach ($hasBank ? [] : $top->aA as $leg => $amps) {
            $figures['amps-L' . ($leg + 1)] = new WorkingLine('Amperes', $where, $amps, 'A');
        }
        foreach (self::QUARTERS as $pct) {
            $figures += self::dip($test, $pct);
        }
        $byStep = [];
        foreach ($figures as $row => $line) {
            $byStep[self::STAGE . "/$row"] = $line;
        }

        return $byStep;
    }

    /** @return array<string, WorkingLine> volts, hertz and recovery of the step to a quarter; what was not seen is left out */
    private static function dip(LoadTestInput $test, int $pct): array
    {
        $baseKw = $test->base->kw();
        $best = null;
        $away = INF;
        foreach ($test->steps as $step) {
            $off = abs(100 * $step->toKw / $baseKw - $pct);
            if ($step->isIncrease() && ! Tolerance::exceeds($off, self::NEAR_PCT) && $off < $away) {
                [$best, $away] = [$step, $off];
            }
        }
        if ($best === null) {
            return [];
        }
        $where = sprintf('recorded step of the load test, %.4g to %.4g kW', $best->fromKw, $best->toKw);
        $figures = [
            "load-bank-$pct" => new WorkingLine('Deepest voltage', "$where, line to neutral", $best->vExtremeV, 'V'),
            "load-bank-hz-$pct" => new WorkingLine('Deepest frequency', $where, $best->hzExtremeHz, 'Hz'),
        ];
        $class = $test->limits->class->value;
        $seconds = array_map(
            static fn(Recovery $one): ?float => $one->byClass === null ? $one->seconds : $one->byClass[$class],
            [$best->vRecovery, $best->hzRecovery],
        );

        return in_array(null, $seconds, true) ? $figures : $figures + [
            "load-bank-recovery-$pct" => new WorkingLine('Time to recover', "$where, class $class", max($seconds), 's'),
        ];
    }
}
