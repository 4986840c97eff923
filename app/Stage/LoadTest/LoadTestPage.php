<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\Units;
use App\Drawing\LoadTest\FiguresChart;
use App\Drawing\LoadTest\StepChart;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\Recording;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\LoadTest\BankCable;
use Escapement\Core\LoadTest\LoadTestPlanResult;
use Escapement\Core\LoadTest\LoadTestResult;
use Escapement\Core\LoadTest\MarkedSpan;
use Escapement\Core\LoadTest\MarkedSpans;
use Escapement\Core\LoadTest\OwnLoadStep;
use Escapement\Core\LoadTest\PlannedStep;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** One load test: the steps and when to read, the readings, what is proved so far. */
final readonly class LoadTestPage
{
    public SiteStanding $standing;
    public LoadTestFacts $facts;
    public LoadTestPlanResult $plan;
    public ?LoadTestResult $result;
    public Units $units;
    public MarkedSpans $spans;
    /** @var list<LoadReading> */
    private array $counting;

    private const MOST_SHOWN = 200;

    /** What of a test it reads, to be loaded before. */
    public const NEEDS = ['readings.user', 'marks.user', 'photos', 'recordings', 'bank', 'user', 'switch'];

    public function __construct(public LoadTest $test)
    {
        $switch = $test->switch;
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->facts = new LoadTestFacts($switch);
        $this->counting = $test->counting();
        $this->plan = LoadTestFacts::planned($test->plan);
        $this->result = $this->facts->evaluated($test);
        $this->units = new Units($switch->site->units);
        $this->spans = LoadTestFacts::spans($test);
    }

    /** @return Collection<int, LoadReading> the newest of them, in order of time: more than these nobody reads on a page */
    public function shownReadings(): Collection
    {
        return $this->test->readings->slice(-self::MOST_SHOWN);
    }

    public static function loaded(int $id): LoadTest
    {
        $test = LoadTest::query()->with(self::NEEDS)->findOrFail($id);
        $test->switch->load(SiteStanding::NEEDS);

        return $test;
    }

    /** Volts, hertz, temperatures and oil of the readings, with the marks; null before the first reading. */
    public function figures(bool $isPaper = false): ?FiguresChart
    {
        return $this->counting() === [] ? null : $this->lanes()->chart($isPaper);
    }

    public function lanes(): TestLanes
    {
        return new TestLanes($this);
    }

    /** Cables and volts of the bank; null without one. */
    public function cable(): ?BankCable
    {
        $mostKw = max([0.0, ...array_map(static fn(PlannedStep $step): float => $step->bankKw, $this->plan->steps)]);
        $phases = $this->facts->phases();
        $system = $this->facts->plan->system;

        return $mostKw <= 0 || ! in_array($phases, [1, 2, 3], true) ? null : new BankCable(
            $mostKw,
            (float) ($phases === 1 ? $system->vLn : $system->vLl()),
            $phases,
            $this->test->bank?->cable_a,
            $this->test->bank?->rated_v,
        );
    }

    /** @return list<OwnLoadStep> which loads of its own a house without a bank switches; empty with a bank */
    public function ownLoads(): array
    {
        return ($this->test->plan['bank_elements_kw'] ?? []) === [] ? $this->facts->ownLoads($this->plan) : [];
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

    private function hourAt(float $seconds): string
    {
        $zero = LoadTestFacts::zero($this->test);

        return $zero === null ? '' : $this->hour($zero->copy()->addMilliseconds((int) round(1000 * $seconds)));
    }

    public function hour(Carbon $at): string
    {
        return $at->copy()->setTimezone($this->test->switch->site->timezone)->format('H:i:s');
    }

    /** @return Collection<int, Photo> of a reading */
    public function photosOf(LoadReading $reading): Collection
    {
        return $this->test->photos->where('reading_id', $reading->id);
    }

    /** @return list<RecordingPart> recordings of the steps of this test */
    public function recordings(): array
    {
        return array_values(array_map(static fn(Recording $one): RecordingPart => new RecordingPart($one), $this->test->recordings->all()));
    }

    /** The level that comes next by the plan, after those that were marked. */
    public function nextLevel(): ?float
    {
        $marked = $this->test->marks->filter(static fn(LoadMark $one): bool => $one->struck_why === null && $one->kind->hasLevel())
            ->count();

        return $this->plan->steps[$marked]->levelPct ?? null;
    }

    public function title(): string
    {
        return LoadTestsPage::words($this->test);
    }

    public function chart(bool $isPaper = false): StepChart
    {
        $points = $this->lanes()->power($this->plan->steps[0]->startS);

        return new StepChart($this->plan, (float) ($this->test->plan['usable_kw'] ?? $this->test->plan['nameplate_kw']), $points, $isPaper);
    }

    /** @return list<LoadReading> that count */
    public function counting(): array
    {
        return $this->counting;
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

    /** What was asked, as a person says it. */
    public static function requirement(string $id): string
    {
        return ucfirst(str_replace('_', ' ', preg_replace('/^level-(.+)$/', 'level $1 %', $id) ?? $id));
    }

    public function freshId(): string
    {
        return (string) Str::uuid();
    }

    /** Minutes from the start of the warm-up, as a person reads them. */
    public static function clock(float $seconds): string
    {
        return sprintf('%d:%02d', intdiv((int) round($seconds), 60), (int) round($seconds) % 60);
    }

    public function at(LoadReading $reading): string
    {
        return $reading->taken_at->copy()->setTimezone($this->test->switch->site->timezone)->format('H:i');
    }

    public function now(): string
    {
        return Carbon::now($this->test->switch->site->timezone)->format('H:i');
    }

    public function oil(?float $kpa): string
    {
        return $kpa === null ? '' : round($this->units->fromKilopascals($kpa)) . "\u{202F}" . $this->units->oilPressure();
    }

    public function temperature(?float $c): string
    {
        return $c === null ? '' : round($this->units->fromCelsius($c)) . "\u{202F}" . $this->units->temperature();
    }

    public function kw(LoadReading $reading): float
    {
        return round($reading->kw ?? $this->apparentKw($reading), 2);
    }

    /** @return list<string> the elements of a step, by their kilowatts */
    public function elements(int $step): array
    {
        $bank = $this->test->plan['bank_elements_kw'] ?? [];

        return array_map(
            static fn(int $i): string => '#' . ($i + 1) . ' ' . (float) ($bank[$i] ?? 0) . ' kW',
            $this->plan->steps[$step]->elements ?? [],
        );
    }

    /** @return list<Finding> of the plan while nothing is read, then of the readings too */
    public function findings(): array
    {
        return array_map(fn(Finding $one): Finding => $one->told($this->units->sentence($one->message)), Finding::worstFirst([
            ...$this->result->findings ?? [], ...$this->spans->findings,
            ...($this->test->isClosed() ? [] : [...$this->plan->findings, ...$this->cable()->findings ?? []]),
        ]));
    }

    private function apparentKw(LoadReading $one): float
    {
        return array_sum(array_map(static fn(float $v, float $a): float => $v * $a, $one->v_v, $one->a_a)) / 1000;
    }
}
