<?php

declare(strict_types=1);

namespace App\Drawing;

/**
 * Time to pixels: one scale for every unfolded span, so that lengths compare; long idle spans become folds of 30 px.
 */
final readonly class TimeScale
{
    private const FOLD_PX = 30;
    private const PAD_BEFORE_MS = 2500;
    private const PAD_AFTER_MS = 7000;
    private const FOLDS_FROM_MS = 8000;
    private const LEAST_PX_PER_S = 2.5;

    /** @var list<array{fromMs: int, toMs: int, fromX: float, toX: float, isFold: bool}> */
    public array $segments;
    public float $width;
    public float $pxPerS;

    /** @param list<int> $momentsMs at which something happens */
    public function __construct(array $momentsMs, int $untilMs, float $width)
    {
        $spans = $this->spans($momentsMs === [] ? [0] : $momentsMs, $untilMs);
        $unfoldedMs = array_sum(array_map(static fn(array $span): int => $span['isFold'] ? 0 : $span['toMs'] - $span['fromMs'], $spans));
        $folds = count(array_filter($spans, static fn(array $span): bool => $span['isFold']));
        $this->pxPerS = max(self::LEAST_PX_PER_S, ($width - self::FOLD_PX * $folds) / max(1, $unfoldedMs / 1000));
        $segments = [];
        $x = 0.0;
        foreach ($spans as $span) {
            $length = $span['isFold'] ? self::FOLD_PX : ($span['toMs'] - $span['fromMs']) / 1000 * $this->pxPerS;
            $segments[] = $span + ['fromX' => $x, 'toX' => $x + $length];
            $x += $length;
        }
        $this->segments = $segments;
        $this->width = $x;
    }

    public function x(int $ms): float
    {
        foreach ($this->segments as $segment) {
            if ($ms <= $segment['toMs']) {
                $part = ($ms - $segment['fromMs']) / max(1, $segment['toMs'] - $segment['fromMs']);

                return round($segment['fromX'] + max(0, $part) * ($segment['toX'] - $segment['fromX']), 1);
            }
        }

        return round($this->width, 1);
    }

    /** Whole steps of the clock that are wide enough apart to be read. */
    public function tickMs(): int
    {
        foreach ([1000, 2000, 5000, 10_000, 20_000, 30_000, 60_000] as $stepMs) {
            if ($stepMs / 1000 * $this->pxPerS >= 56) {
                return $stepMs;
            }
        }

        return 120_000;
    }

    /**
     * @param list<int> $momentsMs
     *
     * @return list<array{fromMs: int, toMs: int, isFold: bool}>
     */
    private function spans(array $momentsMs, int $untilMs): array
    {
        sort($momentsMs);
        $groups = [];
        foreach ($momentsMs as $ms) {
            $from = max(0, $ms - self::PAD_BEFORE_MS);
            $to = min($untilMs, $ms + self::PAD_AFTER_MS);
            $last = count($groups) - 1;
            if ($groups !== [] && $from - $groups[$last][1] <= self::FOLDS_FROM_MS) {
                $groups[$last][1] = max($groups[$last][1], $to);
            } else {
                $groups[] = [$from, $to];
            }
        }
        if ($groups[0][0] <= self::FOLDS_FROM_MS) {
            $groups[0][0] = 0;
        }
        $spans = [];
        $end = 0;
        foreach ($groups as [$from, $to]) {
            if ($from > $end) {
                $spans[] = ['fromMs' => $end, 'toMs' => $from, 'isFold' => true];
            }
            $spans[] = ['fromMs' => $from, 'toMs' => $to, 'isFold' => false];
            $end = $to;
        }

        return $spans;
    }
}
