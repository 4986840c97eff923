<?php

declare(strict_types=1);

namespace Escapement\Core\Device;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** Readings and steps of a load test from polling. Rule: docs/rules.md#log-to-readings. */
final readonly class LogReadings
{
    private const SLOW_MS = 500;
    private const GAP_MS = 5000;
    private const GAP_TIMES = 5;

    public function of(LogReadingsInput $in): CalculationResult
    {
        $at = array_values(array_filter(array_keys($in->polls), static fn(int $i): bool => $i > 0
            && Tolerance::exceeds(abs($in->polls[$i]->kw - $in->polls[$i - 1]->kw), $in->stepKw)));
        $steps = [];
        $isCut = false;
        foreach ($at as $k => $i) {
            $next = $at[$k + 1] ?? null;
            $isCut = $isCut || $next !== null && $in->polls[$next]->tMs <= $in->polls[$i]->tMs + 1000 * $in->windowS;
            $steps[] = $this->step($in, $i, $next ?? count($in->polls));
        }
        $spacings = self::spacings($in);
        $median = self::median($spacings);
        $most = $spacings === [] ? null : max($spacings);
        $findings = new Findings();
        $this->judgePolling($findings, $steps !== [], $median ?? 0.0, $most ?? 0);
        if ($isCut) {
            $findings->raise('steps-overlap');
        }
        if (in_array(null, array_column($steps, 'v_recovery_s'), true)) {
            $findings->raise('log-to-readings/not-recovered');
        }
        $working = new Working();
        $working->add('Polls apart', 'median of ' . count($spacings), $median, 'ms');

        return new CalculationResult([
            'readings' => $this->readings($in),
            'steps_seen' => $steps,
            'poll_median_ms' => $median,
            'poll_max_ms' => $most,
        ], $findings->worstFirst(), $working->lines);
    }

    /** @return list<int> milliseconds from poll to poll */
    private static function spacings(LogReadingsInput $in): array
    {
        $times = array_column($in->polls, 'tMs');

        return array_map(static fn(int $next, int $one): int => $next - $one, array_slice($times, 1), array_slice($times, 0, -1));
    }

    private function judgePolling(Findings $findings, bool $hasSteps, float $medianMs, int $mostMs): void
    {
        if ($hasSteps && $medianMs > self::SLOW_MS) {
            $findings->raise('polls-too-slow');
        }
        if ($mostMs > self::GAP_TIMES * $medianMs && $mostMs > self::GAP_MS) {
            $findings->raise('poll-gap');
        }
    }

    /** @return list<array<string, mixed>> the first, then one an interval, then the last */
    private function readings(LogReadingsInput $in): array
    {
        $first = $in->polls[0]->tMs;
        $everyMs = 1000 * $in->intervalS;
        $j = 1;
        $kept = [0 => true, count($in->polls) - 1 => true];
        foreach ($in->polls as $i => $poll) {
            if ($poll->tMs >= $first + $j * $everyMs) {
                $kept[$i] = true;
                $j = (int) floor(($poll->tMs - $first) / $everyMs) + 1;
            }
        }
        ksort($kept);

        return array_map(static fn(int $i): array => $in->polls[$i]->reading(), array_keys($kept));
    }

    /**
     * @return array{t_s: float, from_kw: float, to_kw: float, v_extreme_v: float, v_recovery_s: ?float, hz_before_hz: float,
     *     hz_extreme_hz: float, hz_recovery_s: float}
     */
    private function step(LogReadingsInput $in, int $i, int $until): array
    {
        $start = $in->polls[$i];
        $window = [];
        for ($k = $i; $k < $until && $in->polls[$k]->tMs <= $start->tMs + 1000 * $in->windowS; $k++) {
            $window[] = $in->polls[$k];
        }
        $last = $window[count($window) - 1] ?? $start;
        $from = $in->polls[$i - 1];
        $isDown = $last->kw >= $from->kw;
        $volts = array_map(static fn(Poll $one): float => $one->meanV(), $window);
        $hertz = array_map(static fn(Poll $one): float => $one->hz, $window);
        $vBand = $in->vBandPct / 100 * $in->nominalV;
        $hzBand = $in->hzBandPct / 100 * $in->nominalHz;
        $since = static fn(Poll $poll): float => ($poll->tMs - $start->tMs) / 1000;
        $isInBand = static fn(Poll $one): bool => ! Tolerance::exceeds(abs($one->meanV() - $in->nominalV), $vBand);
        $settled = self::settledFrom($window, $isInBand);
        $steady = self::settledFrom($window, static fn(Poll $one): bool => ! Tolerance::exceeds(abs($one->hz - $last->hz), $hzBand));

        return [
            't_s' => $start->tMs / 1000,
            'from_kw' => $from->kw,
            'to_kw' => $last->kw,
            'v_extreme_v' => $isDown ? min([INF, ...$volts]) : max([0.0, ...$volts]),
            'v_recovery_s' => $settled === null ? null : $since($settled),
            'hz_before_hz' => $from->hz,
            'hz_extreme_hz' => $isDown ? min([INF, ...$hertz]) : max([0.0, ...$hertz]),
            'hz_recovery_s' => $since($steady ?? $last),
        ];
    }

    /**
     * @param list<Poll>           $window
     * @param \Closure(Poll): bool $isInside
     */
    private static function settledFrom(array $window, \Closure $isInside): ?Poll
    {
        $from = null;
        foreach (array_reverse($window) as $poll) {
            if (! $isInside($poll)) {
                break;
            }
            $from = $poll;
        }

        return $from;
    }

    /** @param list<int> $values */
    private static function median(array $values): int|float|null
    {
        if ($values === []) {
            return null;
        }
        sort($values);
        $middle = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$middle] : ($values[$middle - 1] + $values[$middle]) / 2;
    }
}
