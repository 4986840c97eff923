<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** Finds the load steps of a recording by the change of power. Rule: docs/rules.md#step-transients. */
final readonly class StepDetection
{
    /** @var list<float> sums of power before each sample, and of all */
    private array $sums;

    /** @param list<float> $kw */
    public function __construct(private Waveform $wave, array $kw, private float $stepKw, private float $sideMs)
    {
        $sums = [0.0];
        foreach ($kw as $i => $one) {
            $sums[] = $sums[$i] + $one;
        }
        $this->sums = $sums;
    }

    /** @return list<GivenStep> */
    public function steps(): array
    {
        $steps = [];
        $best = $last = null;
        foreach ($this->changes() as $i => $change) {
            if (! Tolerance::exceeds(abs($change), $this->stepKw)) {
                continue;
            }
            $isNew = $last === null || ($change > 0) !== ($last[1] > 0)
                || $this->wave->tMs[$i] - $this->wave->tMs[$last[0]] > $this->sideMs;
            if ($isNew && $best !== null) {
                $steps[] = new GivenStep($this->wave->tMs[$best[0]]);
            }
            if ($isNew || $best === null || Tolerance::exceeds(abs($change), abs($best[1]))) {
                $best = [$i, $change];
            }
            $last = [$i, $change];
        }

        return $best === null ? $steps : [...$steps, new GivenStep($this->wave->tMs[$best[0]])];
    }

    /** @return array<int, float> kW by sample, where there is enough on both sides */
    private function changes(): array
    {
        $t = $this->wave->tMs;
        $count = $this->wave->count();
        $changes = [];
        $from = $to = 0;
        for ($i = 0; $i < $count; $i++) {
            while ($t[$from] < $t[$i] - $this->sideMs) {
                $from++;
            }
            while ($to < $count && $t[$to] <= $t[$i] + $this->sideMs) {
                $to++;
            }
            $isInside = $t[$i] - $t[0] >= $this->sideMs && $t[$count - 1] - $t[$i] >= $this->sideMs;
            if ($isInside && $from < $i) {
                $changes[$i] = $this->mean($i, $to) - $this->mean($from, $i);
            }
        }

        return $changes;
    }

    /** Up to, and without, the second sample. */
    private function mean(int $from, int $to): float
    {
        return ($this->sums[$to] - $this->sums[$from]) / max(1, $to - $from);
    }
}
