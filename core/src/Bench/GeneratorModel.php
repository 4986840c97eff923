<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

/**
 * Volts and hertz of a set under steps of load: the dip of the alternator, droop and recovery of the governor.
 *
 * Rule: docs/rules.md#bench-play.
 */
final class GeneratorModel
{
    public float $kw = 0.0;
    public float $kvar = 0.0;
    /** The deepest single dip so far, as a part of nominal. */
    public float $worstDip = 0.0;
    /** @var array<string, array{float, float}> kva and starting kva of what it carries, by id */
    private array $carried = [];
    /** @var list<array{int, float, float, float, float}> time, voltage dip, regulation, frequency dip, droop */
    private array $steps = [];
    /** Regulation and droop of steps that are so old that nothing else is left of them. */
    private float $settledV = 0.0;
    private float $settledHz = 0.0;

    public function __construct(private readonly BenchGenerator $set) {}

    /** @param array<string, array{float, float}> $carried kva and starting kva, by id */
    public function carry(int $t, bool $isTurning, array $carried, float $kw, float $kvar): void
    {
        if (! $isTurning) {
            $this->steps = $this->carried = [];
            $this->settledV = $this->settledHz = 0.0;
            $this->kw = $this->kvar = 0.0;

            return;
        }
        $up = $down = 0.0;
        foreach ($carried as $id => [$kva, $startKva]) {
            $before = $this->carried[$id][0] ?? null;
            $up += $before === null ? max($kva, $startKva) : max(0.0, $kva - $before);
            $down += max(0.0, ($before ?? 0.0) - $kva);
        }
        foreach (array_diff_key($this->carried, $carried) as [$kva]) {
            $down += $kva;
        }
        if ($up > 0 || $down > 0) {
            $this->settle($t);
            $k = $this->set->ratedKva / $this->set->xPu;
            $dip = $up / ($up + $k) - $down / ($down + $k);
            $this->worstDip = max($this->worstDip, $dip);
            $part = ($kw - $this->kw) / $this->set->ratedKw;
            $this->steps[] = [
                $t, $dip, $this->set->regulationPct / 100 * (hypot($kw, $kvar) - hypot($this->kw, $this->kvar)) / $this->set->ratedKva,
                $this->set->hzDipPct / 100 * $part, $this->set->droopPct / 100 * $part,
            ];
        }
        $this->carried = $carried;
        [$this->kw, $this->kvar] = [$kw, $kvar];
    }

    /** @return array{float, float} parts of the volts and hertz that it would have without load */
    public function parts(int $t): array
    {
        $v = 1.0 - $this->settledV;
        $hz = 1.0 - $this->settledHz;
        foreach ($this->steps as [$at, $dip, $regulation, $hzDip, $droop]) {
            $x = ($t - $at) / $this->set->vTauMs;
            $y = ($t - $at) / $this->set->hzTauMs;
            $v -= $dip * exp(-$x) + $regulation * (1 - exp(-$x));
            $hz -= $hzDip * $y * exp(1 - $y) + $droop * (1 - exp(-$y));
        }

        return [max(0.0, $v), max(0.0, $hz)];
    }

    /** What lies more than forty time constants back is below the precision of the numbers: its final value is kept. */
    private function settle(int $t): void
    {
        $oldMs = $t - 40 * max($this->set->vTauMs, $this->set->hzTauMs);
        while ($this->steps !== [] && $this->steps[0][0] < $oldMs) {
            [, , $regulation, , $droop] = array_shift($this->steps);
            $this->settledV += $regulation;
            $this->settledHz += $droop;
        }
    }
}
