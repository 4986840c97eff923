<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LoadItem;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Run;
use App\Models\TransferSwitch;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\ExerciseInput;
use Escapement\Core\LoadTest\ExerciseResult;
use Escapement\Core\LoadTest\ExerciseRun;
use Escapement\Core\LoadTest\ExerciseValue;
use Escapement\Core\LoadTest\LoadTestEvaluation;
use Escapement\Core\LoadTest\LoadTestPlan;
use Escapement\Core\LoadTest\LoadTestPlanResult;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\LoadTest\LoadTestTrend;
use Escapement\Core\LoadTest\MarkedMoment;
use Escapement\Core\LoadTest\MarkedSpans;
use Escapement\Core\LoadTest\OwnLoad;
use Escapement\Core\LoadTest\OwnLoads;
use Escapement\Core\LoadTest\OwnLoadStep;
use Escapement\Core\LoadTest\PastTest;
use Escapement\Core\LoadTest\ProcedureFigures;
use Escapement\Core\LoadTest\ProofRow;
use Escapement\Core\LoadTest\RunType;
use Escapement\Core\LoadTest\TrendInput;
use Escapement\Core\LoadTest\TrendResult;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Wire\LoadTest\LoadTestPlanReader;
use Escapement\Core\Wire\LoadTest\LoadTestReader;
use Escapement\Core\Wire\LoadTest\LoadTestResultReader;
use Illuminate\Support\Carbon;

/** A switch and its load tests as the core wants them. Needs of the switch: site, loads, plan, proofs. */
final readonly class LoadTestFacts
{
    public PlanFacts $plan;

    public function __construct(public TransferSwitch $switch)
    {
        $this->plan = new PlanFacts($switch, $switch->plan);
    }

    /** Why no load test can be planned yet; null when it can. */
    public function lacks(): ?string
    {
        return match (true) {
            ! $this->switch->site->installation->hasGenerator() => 'Two supplies have no generator to test.',
            $this->switch->fuel === null => 'The fuel is not known.',
            $this->switch->fuel === Fuel::Battery => 'An inverter has no load test: its batteries are proved by their runtime.',
            $this->nameplateKw() === null => 'The rating of the source is not known.',
            default => null,
        };
    }

    public function nameplateKw(): ?float
    {
        $kw = $this->switch->fuel === null ? null : ($this->switch->rated_kw[$this->switch->fuel->value] ?? null);

        return is_numeric($kw) && $kw > 0 ? (float) $kw : null;
    }

    public function phases(): int
    {
        return $this->plan->system->legs();
    }

    /** What the building would take now, by what the switch carries. */
    public function buildingKw(): float
    {
        return round((float) collect($this->plan->transferred())->sum(static fn($load): float => (float) $load->kw), 2);
    }

    /**
     * What the site itself gives to a plan; the rest is chosen.
     *
     * @param array<string, mixed> $chosen
     *
     * @return array<string, mixed> the input of load_test_plan
     */
    public function planInput(array $chosen): array
    {
        $usableKw = $this->plan->source?->usableKw;

        return $chosen + [
            'fuel' => $this->switch->fuel->value ?? '', 'nameplate_kw' => $this->nameplateKw() ?? 0.0,
        ] + ($usableKw === null || $usableKw <= 0 ? [] : ['usable_kw' => round($usableKw, 3)]);
    }

    /**
     * @param array<string, mixed> $input of load_test_plan
     *
     * @throws BadInput with its path in the input
     */
    public static function planned(array $input): LoadTestPlanResult
    {
        return (new LoadTestPlan())->plan((new LoadTestPlanReader())->input(Node::fromArray($input)));
    }

    /** Null while nothing was read. */
    public function evaluated(LoadTest $test): ?LoadTestResult
    {
        $input = $this->evaluationInput($test);

        return $input === null ? null
            : (new LoadTestEvaluation((new LoadTestReader())->input(Node::fromArray($input))))->result();
    }

    /** @return null|array<string, mixed> the input of load_test_evaluate; null while nothing was read */
    public function evaluationInput(LoadTest $test): ?array
    {
        $counting = self::rising($test->counting());
        $first = $counting[0] ?? null;
        if ($first === null) {
            return null;
        }
        $firstMs = $first->taken_at->getTimestampMs(); // a date is read anew each time it is asked for
        $readings = array_map(static fn(LoadReading $one): array => [
            't_s' => max(0.0, round(($one->taken_at->getTimestampMs() - $firstMs) / 1000, 3)),
        ] + $one->figures(), $counting);

        return ['readings' => $readings] + $this->evaluationBase($test);
    }

    /** @return array<string, mixed> all of that input but its readings */
    public function evaluationBase(LoadTest $test): array
    {
        $source = $this->plan->source;
        $supply = (new SwitchFacts($this->switch))->plant->emergency;
        $previous = $this->previous($test);
        $seen = $this->stepsSeen($test);

        return array_intersect_key($test->plan, array_flip([
            'profile', 'steps', 'class_min', 'fuel', 'nameplate_kw', 'basis', 'usable_kw',
        ])) + [
            'phases' => $this->phases(), 'nominal_v' => (float) $supply->nominalV, 'nominal_hz' => (float) $supply->nominalHz,
            'governor' => $this->switch->site->installation->isPortable() ? 'droop' : 'isochronous',
        ] + ($source === null || $source->legA <= 0 ? [] : ['rated_a' => round($source->legA, 1)])
            + ($previous === null ? [] : ['previous' => $previous]) + ($seen === [] ? [] : ['steps_seen' => $seen]);
    }

    /**
     * What the load test of a run's day has read for the steps on load.
     *
     * @return array<string, WorkingLine> by the id of the step; empty where there is no such test
     */
    public static function forProcedure(Run $run): array
    {
        $test = $run->switch->loadTest;
        $zone = $run->switch->site->timezone;
        $first = $test?->firstReadingAt();
        if ($test === null || $first === null || $run->isSigned()
            || $first->setTimezone($zone)->isBefore($run->created_at->copy()->setTimezone($zone)->startOfDay())) {
            return [];
        }
        $test->loadMissing(['readings', 'recordings']);
        $input = (new self($run->switch))->evaluationInput($test);

        return $input === null ? []
            : ProcedureFigures::of(
                (new LoadTestReader())->input(Node::fromArray($input)),
                ($test->plan['bank_elements_kw'] ?? []) !== [],
            );
    }

    /** An answer of load_test_evaluate as it was kept; null where none was, or where another edition wrote it otherwise. */
    public static function kept(mixed $result): ?LoadTestResult
    {
        try {
            return is_array($result) ? (new LoadTestResultReader())->result(Node::fromArray($result)) : null;
        } catch (BadInput) {
            return null;
        }
    }

    /**
     * Of two readings of one moment the first; the tables may have them, an evaluation may not.
     *
     * @param list<LoadReading> $readings in order of time
     *
     * @return list<LoadReading>
     */
    private static function rising(array $readings): array
    {
        $rising = [];
        $last = null;
        foreach ($readings as $one) {
            $at = $one->taken_at;
            if ($last === null || $at->greaterThan($last)) {
                $rising[] = $one;
                $last = $at;
            }
        }

        return $rising;
    }

    /** @return list<array<string, mixed>> load steps out of the recordings of the test, as an evaluation takes them */
    private function stepsSeen(LoadTest $test): array
    {
        $seen = [];
        foreach ($test->recordings as $recording) {
            $steps = $recording->steps['steps_seen'] ?? [];
            array_push($seen, ...(is_array($steps) ? array_values($steps) : []));
        }

        return $seen;
    }

    /**
     * The marks that count, as moments from the first reading.
     *
     * @return list<MarkedMoment>
     */
    public static function moments(LoadTest $test, ?Carbon $zero): array
    {
        $moments = [];
        foreach ($test->marks as $mark) {
            if ($mark->struck_why === null && $zero !== null) {
                $moments[] = new MarkedMoment($mark->kind, $zero->diffInMilliseconds($mark->at) / 1000, $mark->level_pct);
            }
        }

        return $moments;
    }

    /** From where the time of a test counts: its first reading that counts, else its first mark; null before both. */
    public static function zero(LoadTest $test, ?Carbon $firstReading): ?Carbon
    {
        return $firstReading ?? $test->marks->first(static fn(LoadMark $one): bool => $one->struck_why === null)?->at;
    }

    public static function spans(LoadTest $test, ?Carbon $firstReading, ?Carbon $lastReading): MarkedSpans
    {
        $zero = self::zero($test, $firstReading);
        $endS = ! $test->isClosed() || $lastReading === null || $zero === null ? null : $zero->diffInMilliseconds($lastReading) / 1000;

        return new MarkedSpans(self::moments($test, $zero), ($test->plan['bank_elements_kw'] ?? []) !== [], $endS);
    }

    /**
     * A house without a bank: which of its own loads to switch for each step.
     *
     * @return list<OwnLoadStep>
     */
    public function ownLoads(LoadTestPlanResult $plan): array
    {
        $usableKw = (float) ($this->plan->source->usableKw ?? $this->nameplateKw() ?? 0.0);
        $loads = array_map(
            static fn(LoadItem $one): OwnLoad => new OwnLoad($one->name, (float) $one->kw, (float) $one->start_kva > 0 || $one->compressor),
            array_values($this->plan->transferred()),
        );

        $asksLoad = array_filter($plan->proof, static fn(ProofRow $row): bool => $row->withLoad) !== [];
        $leastKw = $asksLoad ? LoadTestPlan::LEAST_LOAD_PCT / 100 * ($this->nameplateKw() ?? 0.0) : 0.0;

        return (new OwnLoads($loads, $usableKw, $leastKw))->order($plan->steps);
    }

    /**
     * The closed tests of the switch over the years; null while there is none.
     *
     * @param list<LoadTest> $tests newest first
     */
    public static function trend(array $tests): ?TrendResult
    {
        $past = [];
        foreach (array_reverse($tests) as $test) {
            $result = $test->result ?? [];
            if ($test->closed_at !== null && is_array($result['at_top'] ?? null)) {
                $date = $test->closed_at->format('Y-m-d');
                $past[$date] = new PastTest(
                    $date,
                    self::verdict($test),
                    $test->plan['fuel'] ?? Fuel::Diesel->value,
                    (float) ($result['at_top']['load_pct'] ?? 0),
                    array_map(self::figure(...), self::atTop($result)),
                    null,
                );
            }
        }
        ksort($past); // of two on one day the later one stands

        return $past === [] ? null : (new LoadTestTrend())->judge(new TrendInput(array_values($past)));
    }

    /**
     * What the closed tests and the signed runs prove, and when the next of each kind is due by a school.
     *
     * @param list<LoadTest> $tests
     */
    public function due(array $tests, string $school, string $today): ExerciseResult
    {
        $runs = [];
        foreach ($tests as $test) {
            if ($test->closed_at !== null) {
                $runs[] = new ExerciseRun(self::runType($test)->value, $this->day($test->closed_at), self::verdict($test), false);
            }
        }
        foreach ($this->switch->proofs as $proof) {
            if ($proof->part === ProofPart::Sensing) { // the outage made upstream of the sensing
                $verdict = in_array($proof->outcome, ['proved', 'noted'], true) ? 'pass' : 'fail';
                $runs[] = new ExerciseRun(RunType::Outage->value, $this->day($proof->proved_at), $verdict, false);
            }
        }

        return (new ExerciseValue(ExerciseInput::bySchool($school, $today, $runs)))->result();
    }

    /** @return 'fail'|'not_proven'|'pass' */
    private static function verdict(LoadTest $test): string
    {
        return in_array($test->verdict, ['pass', 'fail'], true) ? $test->verdict : 'not_proven';
    }

    /** What kind of run a load test was: by its length, and by whether a bank took part. */
    private static function runType(LoadTest $test): RunType
    {
        if ($test->profile->hasClass()) {
            return RunType::FourHour;
        }

        return ($test->plan['bank_elements_kw'] ?? []) === [] ? RunType::BuildingLoad : RunType::LoadBank;
    }

    private function day(Carbon $moment): string
    {
        return $moment->copy()->setTimezone($this->switch->site->timezone)->format('Y-m-d');
    }

    /** @return null|array<string, mixed> the figures of the closed test before this one, on the same fuel */
    private function previous(LoadTest $test): ?array
    {
        $query = LoadTest::query();
        $query->where('switch_id', $test->switch_id)->whereNotNull('closed_at')->where('id', '<', $test->id)->orderByDesc('id');
        $last = $query->first();
        if ($last === null || ($last->plan['fuel'] ?? null) !== ($test->plan['fuel'] ?? null)) {
            return null;
        }

        return self::atTop($last->result ?? []);
    }

    /**
     * What one test is compared with another by.
     *
     * @param array<string, mixed> $result of load_test_evaluate, as it was kept
     *
     * @return array<string, mixed>
     */
    private static function atTop(array $result): array
    {
        $top = is_array($result['at_top'] ?? null) ? $result['at_top'] : [];

        return [
            'regulation_pct' => $result['regulation_pct'] ?? null, 'droop_pct' => $result['droop_pct'] ?? null,
            'oil_kpa' => $top['oil_kpa'] ?? null, 'coolant_c' => $top['coolant_c'] ?? null, 'exhaust_c' => $top['exhaust_c'] ?? null,
        ];
    }

    private static function figure(mixed $kept): ?float
    {
        return is_int($kept) || is_float($kept) ? (float) $kept : null;
    }
}
