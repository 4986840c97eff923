<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Bridge\Units;
use App\Drawing\LoadTest\StepChart;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\LoadTest\LoadTestPlanResult;
use Escapement\Core\LoadTest\LoadTestResult;
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

    public function __construct(public LoadTest $test)
    {
        $switch = $test->switch;
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->facts = new LoadTestFacts($switch);
        $this->plan = LoadTestFacts::planned($test->plan);
        $this->result = $this->facts->evaluated($test);
        $this->units = new Units($switch->site->units);
    }

    public function title(): string
    {
        return LoadTestsPage::words($this->test);
    }

    public function chart(bool $isPaper = false): StepChart
    {
        $first = $this->counting()[0] ?? null;
        $points = array_map(fn(LoadReading $one): array => [
            $first === null ? 0.0 : $this->plan->steps[0]->startS + $first->taken_at->diffInMilliseconds($one->taken_at) / 1000,
            $one->kw ?? $this->apparentKw($one),
        ], $this->counting());

        return new StepChart($this->plan, (float) ($this->test->plan['usable_kw'] ?? $this->test->plan['nameplate_kw']), $points, $isPaper);
    }

    /** @return list<LoadReading> that count */
    public function counting(): array
    {
        return array_values($this->test->readings->filter(static fn(LoadReading $one): bool => $one->struck_why === null)->all());
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
        return Finding::worstFirst([...$this->result->findings ?? [], ...($this->test->isClosed() ? [] : $this->plan->findings)]);
    }

    private function apparentKw(LoadReading $one): float
    {
        return array_sum(array_map(static fn(float $v, float $a): float => $v * $a, $one->v_v, $one->a_a)) / 1000;
    }
}
