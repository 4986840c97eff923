<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/**
 * Judges the readings of a load test against its profile, the rating and the last test: each requirement by itself, and the whole.
 * Rule: docs/rules.md#load-test-evaluate.
 */
final readonly class LoadTestEvaluation
{
    private const WITH_LOAD_PCT = 10;
    private const EXHAUST_MIN = 30;
    private const LOW_LOAD_PCT = 30;

    private TestRecord $record;
    private TestBase $base;
    private TestLimits $limits;

    public function __construct(private LoadTestInput $in)
    {
        $this->record = new TestRecord($in);
        $this->base = $in->base;
        $this->limits = $in->limits;
    }

    public function result(): LoadTestResult
    {
        $levels = [];
        $requirements = [];
        foreach ($this->base->proof() as $row) {
            [$levels[], $requirements[]] = $this->level($row);
        }
        array_push($requirements, ...(new TestRequirements($this->in, $this->record))->all());
        $low = $this->lowIntervals();
        $lowMin = array_sum(array_map($this->record->seconds(...), $low)) / 60;
        $comparison = $this->comparison();
        $findings = (new TestFindings($this->in, $this->record))->all($lowMin, $low, $comparison);
        return new LoadTestResult(
            $this->verdict($requirements, count($levels), $findings),
            $requirements,
            $levels,
            $this->record->provedMin(),
            $this->record->maxLoadPct(),
            $this->record->meanLoadPct(),
            $this->record->regulationPct(),
            $this->record->droopPct(),
            $this->record->worst->vPct,
            $this->record->worst->hzPct,
            $this->record->worst->vUnbalancePct,
            $this->record->worst->iUnbalancePct,
            $this->record->drift(),
            $lowMin,
            $this->atTop(),
            array_map($this->transient(...), $this->in->steps),
            $comparison,
            $findings,
            $this->working($levels)->lines,
        );
    }

    /** @return array<string, null|float|int> what was read where the load was highest */
    private function atTop(): array
    {
        $top = $this->record->top;

        return [
            't_s' => $top->tS, 'kw' => $top->kw, 'load_pct' => 100 * $top->kw / $this->base->kw(), 'oil_kpa' => $top->oilKpa,
            'coolant_c' => $top->coolantC, 'exhaust_c' => $top->exhaustC,
        ];
    }

    /** @param list<ProvedLevel> $levels */
    private function working(array $levels): Working
    {
        $working = new Working();
        foreach ($levels as $level) {
            $working->add(
                sprintf('Held at %g %%', $level->levelPct),
                sprintf('longest stretch of %.4g min in sum, %g min asked', $level->minutesAt, $level->minutes),
                $level->longestMin,
                'min',
            );
        }
        $working->add('Mean load', sprintf('over %.4g proved minutes', $this->record->provedMin()), $this->record->meanLoadPct(), '%');

        return $working;
    }

    /** @return array{ProvedLevel, Requirement} */
    private function level(ProofRow $row): array
    {
        $least = $row->levelPct - $this->limits->levelTolerancePct;
        [$sum, $longest] = $this->record->minutesWhere(
            array_map(static fn(float $pct): bool => ! Tolerance::isBelow($pct, $least), $this->record->loadPct),
        );
        $mean = $this->record->meanLoadPct();
        $verdict = match (true) {
            ! Tolerance::isBelow($longest, $row->minutes) => 'pass',
            ! Tolerance::isBelow($this->record->provedMin(), $row->minutes) => 'fail',
            default => 'not_proven',
        };
        $by = $verdict === 'pass' ? 'load' : null;
        if ($by === 'load' && $row->withLoad && ($mean === null || Tolerance::isBelow($mean, self::WITH_LOAD_PCT))) {
            [$verdict, $by] = ['not_proven', null];
        }
        if ($verdict !== 'pass' && $this->isHotEnough()) {
            [$verdict, $by] = ['pass', 'exhaust'];
        }
        $reason = match (true) {
            $by === 'exhaust' => 'The exhaust was hot enough for half an hour.',
            $verdict === 'pass' => sprintf('Held for %.4g min.', $longest),
            $verdict === 'fail' => sprintf('Held for %.4g min at most, although there was time for %g.', $longest, $row->minutes),
            default => sprintf('Held for %.4g min, %g are asked, or the run had no load to speak of.', $longest, $row->minutes),
        };

        return [
            new ProvedLevel($row->levelPct, $row->minutes, $row->withLoad, $sum, $longest, $by),
            new Requirement('level-' . self::shortest($row->levelPct), $verdict, $reason),
        ];
    }

    /** The monthly run of a diesel may be proved by its exhaust instead of its load. */
    private function isHotEnough(): bool
    {
        $minC = $this->limits->minExhaustC;
        if ($this->base->profile !== TestProfile::MonthlyBuilding || ! $this->base->isDiesel() || $minC === null) {
            return false;
        }
        [, $longest] = $this->record->minutesWhere(array_map(
            static fn(TestReading $one): bool => $one->exhaustC !== null && ! Tolerance::isBelow($one->exhaustC, $minC),
            $this->in->readings,
        ));

        return ! Tolerance::isBelow($longest, self::EXHAUST_MIN);
    }

    /** @return list<int> proved intervals below the load that keeps a diesel clean */
    private function lowIntervals(): array
    {
        $kw = self::LOW_LOAD_PCT / 100 * $this->base->nameplateKw;

        $low = [];
        foreach ($this->record->proved() as $i) {
            if (Tolerance::isBelow(($this->in->readings[$i]->kw + $this->in->readings[$i + 1]->kw) / 2, $kw)) {
                $low[] = $i;
            }
        }

        return $low;
    }

    /** @return array<string, mixed> */
    private function transient(SeenStep $step): array
    {
        return [
            'kind' => $step->isIncrease() ? 'increase' : 'decrease', 'v_dev_pct' => $step->vDevPct($this->limits->nominalV),
            'hz_dev_pct' => $step->hzDevPct($this->limits->nominalHz),
            'class_met' => $step->classMet($this->limits->nominalV, $this->limits->nominalHz, $this->base->isDiesel())->value ?? 'none',
            'recovery_known' => $step->vRecovery->isKnown() && $step->hzRecovery->isKnown(),
        ];
    }

    /** @return null|array<string, ?float> */
    private function comparison(): ?array
    {
        if ($this->in->previous === null) {
            return null;
        }
        $now = [
            'regulation_pct' => $this->record->regulationPct(),
            'droop_pct' => $this->record->droopPct(),
            'oil_kpa' => $this->record->top->oilKpa,
            'coolant_c' => $this->record->top->coolantC,
            'exhaust_c' => $this->record->top->exhaustC,
        ];
        $comparison = [];
        foreach ($now as $key => $value) {
            $then = $this->in->previous[$key] ?? null;
            $comparison[$key] = $value === null || $then === null ? null : $value - $then;
        }

        return $comparison;
    }

    /**
     * @param list<Requirement> $requirements the levels first
     * @param list<Finding>     $findings
     *
     * @return 'fail'|'not_proven'|'pass'
     */
    private function verdict(array $requirements, int $levels, array $findings): string
    {
        $verdicts = array_map(static fn(Requirement $one): string => $one->verdict, $requirements);
        $hasStop = array_filter($findings, static fn(Finding $finding): bool => $finding->severity === Severity::Stop) !== [];

        return match (true) {
            in_array('fail', $verdicts, true), $hasStop => 'fail',
            in_array('not_proven', array_slice($verdicts, 0, $levels), true) => 'not_proven',
            default => 'pass',
        };
    }

    private static function shortest(float $value): string
    {
        return (string) json_encode($value);
    }
}
