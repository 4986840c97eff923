<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\Units;
use App\Drawing\LoadTest\FiguresChart;
use App\Drawing\LoadTest\StepChart;
use App\Models\LoadTest;
use App\Models\Recording;
use Escapement\Core\Finding\Finding;
use Escapement\Core\LoadTest\LoadTestPlanResult;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\LoadTest\MarkedSpan;
use Escapement\Core\LoadTest\MarkedSpans;
use Escapement\Core\LoadTest\Requirement;

/** A load test and what its readings come to, in charts and words: one of this company, or one that was made elsewhere. */
final readonly class JudgedTest
{
    public const VERDICTS = ['pass' => 'Passed', 'fail' => 'Failed', 'not_proven' => 'Not proven'];
    private const GLYPHS = ['pass' => 'proven', 'fail' => 'stop', 'not_proven' => 'note'];

    public LoadTestPlanResult $plan;
    public ?LoadTestResult $result;
    public MarkedSpans $spans;
    public Units $units;

    public function __construct(public LoadTest $test, public TestDigest $digest, public ReadingWords $words)
    {
        $this->plan = LoadTestFacts::planned($test->plan);
        $this->result = $digest->result;
        $this->units = $words->units;
        $this->spans = LoadTestFacts::spans($test, $digest->firstAt(), $digest->lastAt());
    }

    public function title(): string
    {
        return LoadTestsPage::words($this->test);
    }

    /** The steps of the plan with the power that was read. */
    public function chart(bool $isPaper = false): StepChart
    {
        return new StepChart($this->plan, $this->usableKw(), $this->digest->power($this->plan->steps[0]->startS), $isPaper);
    }

    /** What the set gives at its place. */
    public function usableKw(): float
    {
        return (float) ($this->test->plan['usable_kw'] ?? $this->test->plan['nameplate_kw'] ?? 0.0);
    }

    /** Volts, hertz, temperatures and oil of the readings, with the marks; null before the first reading. */
    public function figures(bool $isPaper = false): ?FiguresChart
    {
        $count = $this->digest->count();

        return $count === 0 ? null : new FiguresChart(
            $this->digest->lanes(),
            $this->marksOfChart(),
            "Power, volts, frequency, temperatures and oil of $count readings; the table below has them as figures.",
            $isPaper,
        );
    }

    /** Where each reading stands in the chart, and what it says: for the cursor. */
    public function cursor(): string
    {
        $chart = $this->figures();

        return json_encode($chart === null ? [] : array_map(
            static fn(array $one): array => ['x' => round($chart->x($one['s']), 1), 'words' => $one['words']],
            $this->digest->words(),
        ), JSON_THROW_ON_ERROR);
    }

    /** @return list<array{title: string, from: string, to: string, minutes: string}> the steps as they were marked */
    public function marked(): array
    {
        return array_map(fn(MarkedSpan $span): array => [
            'title' => $span->kind->label() . ($span->levelPct === null ? '' : sprintf(' to %g %%', $span->levelPct)),
            'from' => $this->hourAt($span->fromS), 'to' => $span->toS === null ? 'lasts' : $this->hourAt($span->toS),
            'minutes' => $span->toS === null ? '' : self::clock($span->toS - $span->fromS),
        ], $this->spans->spans);
    }

    /** @return list<RecordingPart> recordings of the steps of this test */
    public function recordings(): array
    {
        return array_values(array_map(static fn(Recording $one): RecordingPart => new RecordingPart($one), $this->test->recordings->all()));
    }

    /** @return array<string, array{label: string, change: string}> figures against the last test, in the units of the site */
    public function comparison(): array
    {
        $isUs = $this->units->system === 'us';
        $rows = [
            'regulation_pct' => ['Regulation, points', 1.0], 'droop_pct' => ['Droop, points', 1.0],
            'oil_kpa' => ["Oil, {$this->units->oilPressure()}", $this->units->fromKilopascals(1.0)],
            'coolant_c' => [$isUs ? 'Coolant, °F' : 'Coolant, K', $isUs ? 1.8 : 1.0],
            'exhaust_c' => [$isUs ? 'Exhaust, °F' : 'Exhaust, K', $isUs ? 1.8 : 1.0],
        ];
        $comparison = [];
        foreach ($this->result->comparison ?? [] as $key => $change) {
            if ($change !== null) {
                $comparison[$key] = ['label' => $rows[$key][0], 'change' => sprintf('%+.1f', $change * $rows[$key][1])];
            }
        }

        return $comparison;
    }

    /** @return list<Finding> of the readings and the marks, worst first */
    public function findings(): array
    {
        return $this->told([...$this->result->findings ?? [], ...$this->spans->findings]);
    }

    /**
     * @param list<Finding> $findings
     *
     * @return list<Finding> worst first, in the units of the site
     */
    public function told(array $findings): array
    {
        return array_map(
            fn(Finding $one): Finding => $one->told($this->units->sentence($one->message)),
            Finding::worstFirst($findings),
        );
    }

    /**
     * What was asked, and what the readings say to it.
     *
     * @return list<array{title: string, verdict: string, reason: string, glyph: string}>
     */
    public function requirements(): array
    {
        return array_map(fn(Requirement $one): array => [
            'title' => self::requirement($one->id), 'verdict' => $one->verdict, 'reason' => $this->units->sentence($one->reason),
            'glyph' => self::GLYPHS[$one->verdict],
        ], $this->result->requirements ?? []);
    }

    /** Minutes from the start of the warm-up, as a person reads them. */
    public static function clock(float $seconds): string
    {
        return sprintf('%d:%02d', intdiv((int) round($seconds), 60), (int) round($seconds) % 60);
    }

    /** What was asked, as a person says it. */
    private static function requirement(string $id): string
    {
        return preg_match(
            '/^level-0(\.0)?$/',
            $id,
        ) === 1 ? 'A run with its own load' : ucfirst(str_replace(
            '_',
            ' ',
            preg_replace('/^level-(.+)$/', 'level $1 %', $id) ?? $id,
        ));
    }

    private function hourAt(float $seconds): string
    {
        $zero = LoadTestFacts::zero($this->test, $this->digest->firstAt());

        return $zero === null ? '' : $this->words->hour($zero->copy()->addMilliseconds((int) round(1000 * $seconds)));
    }

    /** @return list<array{s: float, words: string, isHard: bool}> */
    private function marksOfChart(): array
    {
        $marks = [];
        foreach (LoadTestFacts::moments($this->test, LoadTestFacts::zero($this->test, $this->digest->firstAt())) as $moment) {
            $marks[] = [
                's' => $moment->tS,
                'words' => $moment->levelPct === null ? $moment->kind->label() : sprintf('%g %%', $moment->levelPct),
                'isHard' => $moment->kind->isHard(),
            ];
        }

        return $marks;
    }
}
