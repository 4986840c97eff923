<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Wiring\Dates;

/** Is a set getting worse over the years, and when does it cross a limit? Only tests under like load are compared. */
final readonly class LoadTestTrend
{
    private const YEAR_DAYS = 365.25;
    private const LEAST_POINTS = 4;
    private const FARTHEST_DAYS = 7305;
    private const MISSED_DAYS = 400;
    private const AMBIENT_SPAN_C = 20;

    public function judge(TrendInput $in): TrendResult
    {
        $working = new Working();
        $figures = array_map(fn(TrendFigure $figure): FigureTrend => $this->figure($figure, $in, $working), TrendFigure::cases());
        $like = array_values(array_filter($in->tests, static fn(PastTest $test): bool => $test->isLike($in->reference())));
        $leftOut = array_values(array_filter($in->tests, static fn(PastTest $test): bool => ! $test->isLike($in->reference())));

        return new TrendResult(
            $figures,
            count($like),
            array_map(static fn(PastTest $test): string => $test->date, $leftOut),
            $this->findings($in, $figures, $like, $leftOut)->worstFirst(),
            $working->lines,
        );
    }

    private function figure(TrendFigure $figure, TrendInput $in, Working $working): FigureTrend
    {
        $dates = $values = $years = [];
        foreach ($in->tests as $test) {
            $value = $figure->isAlike($test, $in->reference()) ? $figure->value($test) : null;
            if ($value !== null) {
                $dates[] = $test->date;
                $values[] = $value;
                $years[] = Dates::daysBetween($dates[0], $test->date) / self::YEAR_DAYS;
            }
        }
        $n = count($values);
        $limit = $in->limit($figure);
        if ($n < 2) {
            return new FigureTrend($figure->value, $n, $dates, $values, null, null, null, null, null, 'too_few', $limit, null);
        }
        [$slope, $intercept, $s] = self::line($years, $values);
        $now = $intercept + $slope * $years[$n - 1];
        $p = $n < self::LEAST_POINTS ? null : MannKendall::p($n, $s);
        $trend = self::trend($figure, $in, $p, $slope);
        $working->add(
            ucfirst(str_replace('_', ' ', $figure->value)),
            sprintf('median of the slopes of %d points, p = %s', $n, $p === null ? '–' : sprintf('%.3g', $p)),
            $slope,
            'a year',
        );
        $crosses = $trend === 'worsening' && $limit !== null
            ? self::crossing($figure, $limit, $now, $slope, $intercept, $dates[0], $dates[$n - 1]) : null;

        return new FigureTrend($figure->value, $n, $dates, $values, $slope, $intercept, $now, $s, $p, $trend, $limit, $crosses);
    }

    /**
     * Theil–Sen, and the S of Mann–Kendall.
     *
     * @param list<float> $years
     * @param list<float> $values
     *
     * @return array{float, float, int}
     */
    private static function line(array $years, array $values): array
    {
        $slopes = [];
        $s = 0;
        foreach ($values as $j => $later) {
            foreach (array_slice($values, 0, $j) as $i => $earlier) {
                $slopes[] = ($later - $earlier) / ($years[$j] - $years[$i]);
                $s += (int) Tolerance::exceeds($later, $earlier) - (int) Tolerance::exceeds($earlier, $later);
            }
        }
        $slope = Median::of($slopes) ?? 0.0;
        $rests = array_map(static fn(float $value, float $year): float => $value - $slope * $year, $values, $years);

        return [$slope, Median::of($rests) ?? 0.0, $s];
    }

    /** @return 'improving'|'none'|'too_few'|'worsening' */
    private static function trend(TrendFigure $figure, TrendInput $in, ?float $p, float $slope): string
    {
        return match (true) {
            $p === null => 'too_few',
            Tolerance::exceeds($p, $in->alpha), ! Tolerance::exceeds(abs($slope), 0) => 'none',
            $slope > 0 === $figure->isWorseUp() => 'worsening',
            default => 'improving',
        };
    }

    private static function crossing(
        TrendFigure $figure,
        float $limit,
        float $now,
        float $slope,
        float $intercept,
        string $first,
        string $last,
    ): ?string {
        $isThere = $figure->isWorseUp() ? ! Tolerance::isBelow($now, $limit) : ! Tolerance::exceeds($now, $limit);
        if ($isThere) {
            return $last;
        }
        $days = ceil(self::YEAR_DAYS * ($limit - $intercept) / $slope - 1e-6);
        if ($days > self::FARTHEST_DAYS + Dates::daysBetween($first, $last)) {
            return null;
        }

        return Dates::plusDays($first, (int) $days);
    }

    /**
     * @param list<FigureTrend> $figures
     * @param list<PastTest>    $like
     * @param list<PastTest>    $leftOut
     */
    private function findings(TrendInput $in, array $figures, array $like, array $leftOut): Findings
    {
        $findings = new Findings();
        $this->overLimit($figures, $findings);
        $this->trends($in, $figures, $findings);
        $ambient = array_filter(
            array_map(static fn(PastTest $test): ?float => $test->figures['ambient_c'] ?? null, $like),
            static fn(?float $c): bool => $c !== null,
        );
        $missed = false;
        foreach ($in->tests as $i => $test) {
            $missed = $missed || $i > 0 && Dates::daysBetween($in->tests[$i - 1]->date, $test->date) > self::MISSED_DAYS;
        }
        $found = [
            'last-failed' => $in->reference()->verdict === 'fail',
            'too-few-tests' => array_filter($figures, static fn(FigureTrend $one): bool => $one->trend !== 'too_few') === [],
            'not-comparable' => $leftOut !== [],
            'ambient-differs' => $ambient !== [] && Tolerance::exceeds(max($ambient) - min($ambient), self::AMBIENT_SPAN_C),
            'year-missed' => $missed,
        ];
        foreach (array_keys(array_filter($found)) as $id) {
            $findings->raise($id);
        }

        return $findings;
    }

    /** @param list<FigureTrend> $figures */
    private function overLimit(array $figures, Findings $findings): void
    {
        $over = [];
        $isStop = false;
        foreach ($figures as $one) {
            $figure = TrendFigure::from($one->figure);
            $last = $one->values === [] ? null : $one->values[count($one->values) - 1];
            $isOver = $last !== null && $one->limit !== null
                && ($figure->isWorseUp() ? Tolerance::exceeds($last, $one->limit) : Tolerance::isBelow($last, $one->limit));
            if ($isOver) {
                $over[] = $one->figure;
                $isStop = $isStop || $figure->stopsBeyond();
            }
        }
        if ($over !== []) {
            $findings->raise('over-limit', ['which' => self::words($over)], $over, $isStop ? Severity::Stop : Severity::Warn);
        }
    }

    /** @param list<FigureTrend> $figures */
    private function trends(TrendInput $in, array $figures, Findings $findings): void
    {
        $worse = $soon = [];
        foreach ($figures as $one) {
            if ($one->trend === 'worsening') {
                $worse[] = $one->figure;
            }
            $isSoon = $one->crossesOn !== null
                && Dates::daysBetween($in->reference()->date, $one->crossesOn) <= self::YEAR_DAYS * $in->horizonYears;
            if ($isSoon) {
                $soon[] = $one->figure;
            }
        }
        if ($worse !== []) {
            $findings->raise('worsening', ['which' => self::words($worse)], $worse);
        }
        if ($soon !== []) {
            $findings->raise('crosses-soon', ['which' => self::words($soon)], $soon);
        }
    }

    /** @param list<string> $figures */
    private static function words(array $figures): string
    {
        return str_replace('_', ' ', implode(', ', array_map(
            static fn(string $figure): string => (string) preg_replace('/_[a-z]+$/', '', $figure),
            $figures,
        )));
    }
}
