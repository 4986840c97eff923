<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** The samples around one load step, and what they say. Rule: docs/rules.md#step-transients. */
final readonly class StepWindow
{
    /** @var list<int> samples before the step */
    private array $before;
    /** @var list<int> samples from the step on */
    private array $window;
    /** @var list<int> samples at the end of the window, where everything has settled */
    private array $tail;
    private Waveform $wave;

    public function __construct(private TransientInput $in, private GivenStep $step, ?float $previousMs, private ?float $nextMs)
    {
        $this->wave = $in->wave;
        $before = $window = [];
        $lastBefore = null;
        foreach ($this->wave->tMs as $i => $t) {
            if ($t < $step->tMs) {
                $lastBefore = $i;
                if ($t >= $step->tMs - $in->preMs && ($previousMs === null || $t >= $previousMs)) {
                    $before[] = $i;
                }
            } elseif ($t <= $step->tMs + $in->windowMs && ($nextMs === null || $t < $nextMs)) {
                $window[] = $i;
            }
        }
        $this->before = $before === [] && $lastBefore !== null ? [$lastBefore] : $before;
        $this->window = $window;
        $fromMs = $window === [] ? 0 : $this->wave->tMs[$window[count($window) - 1]] - $in->settleMs;
        $this->tail = array_values(array_filter($window, fn(int $i): bool => $this->wave->tMs[$i] >= $fromMs));
    }

    /** The window is shorter than asked, or empty. */
    public function isCut(): bool
    {
        $end = $this->step->tMs + $this->in->windowMs;

        return $this->window === [] || $this->nextMs !== null && $this->nextMs <= $end || $this->wave->tMs[$this->wave->count() - 1] < $end;
    }

    public function measured(): MeasuredStep
    {
        $fromKw = $this->step->fromKw ?? $this->meanKw($this->before);
        $toKw = $this->step->toKw ?? $this->meanKw($this->tail);
        $isIncrease = $fromKw === null || $toKw === null || $toKw >= $fromKw;
        if ($this->window === []) {
            return $this->unmeasured($fromKw, $toKw, $isIncrease);
        }
        $vOf = $isIncrease ? $this->wave->lowV(...) : $this->wave->highV(...);
        $vAt = $this->extreme($vOf, $isIncrease);
        $hzOf = fn(int $i): float => $this->wave->hz[$i];
        $hzAt = $this->extreme($hzOf, $isIncrease);
        $vExtreme = $vOf($vAt);
        $hzBefore = $this->mean($this->before, $hzOf);
        $hzSettle = $this->mean($this->tail, $hzOf);
        [$vRecoveries, $hzRecoveries] = $this->recoveries($hzSettle);
        $seen = new SeenStep(
            $this->step->tMs / 1000,
            (float) $fromKw,
            (float) $toKw,
            $vExtreme,
            new Recovery(null, $vRecoveries),
            $hzBefore,
            $this->wave->hz[$hzAt],
            new Recovery(null, $hzRecoveries),
        );

        return new MeasuredStep(
            $this->step->tMs,
            $isIncrease ? 'increase' : 'decrease',
            $fromKw,
            $toKw,
            $this->mean($this->before, $this->wave->v(...)),
            $vExtreme,
            $this->seconds($vAt),
            $seen->vDevPct($this->in->nominalV),
            $this->overshoot($this->wave->vV, $vAt, $isIncrease, $this->in->nominalV),
            $this->mean($this->tail, $this->wave->v(...)),
            $vRecoveries,
            $hzBefore,
            $this->wave->hz[$hzAt],
            $this->seconds($hzAt),
            $seen->hzDevPct($this->in->nominalHz),
            $this->overshoot([$this->wave->hz], $hzAt, $isIncrease, $this->in->nominalHz),
            $hzSettle,
            $hzRecoveries,
            $seen->classMet($this->in->nominalV, $this->in->nominalHz, $this->in->isDiesel)->value ?? 'none',
        );
    }

    /** @param list<int> $samples */
    private function meanKw(array $samples): ?float
    {
        $kw = $this->wave->kw;

        return $kw === null || $samples === [] ? null : $this->mean($samples, static fn(int $i): float => $kw[$i]);
    }

    /** Nothing but where it is and what is known of it: no sample is in its window. */
    private function unmeasured(?float $fromKw, ?float $toKw, bool $isIncrease): MeasuredStep
    {
        $kind = $fromKw === null || $toKw === null ? null : ($isIncrease ? 'increase' : 'decrease');

        return new MeasuredStep($this->step->tMs, $kind, $fromKw, $toKw, ...array_fill(0, 14, null), classMet: 'none');
    }

    /** @return array{array<string, ?float>, array<string, ?float>} seconds by class, of volts and of hertz */
    private function recoveries(float $hzSettle): array
    {
        $volts = $hertz = [];
        foreach (GovernorClass::cases() as $class) {
            $volts[$class->value] = $this->recovery(fn(int $i): bool => $this->isVInside($i, $class));
            $hertz[$class->value] = $this->recovery(fn(int $i): bool => ! Tolerance::exceeds(
                abs($this->wave->hz[$i] - $hzSettle),
                $class->hzBandPct() / 100 * $this->in->nominalHz,
            ));
        }

        return [$volts, $hertz];
    }

    private function seconds(int $i): float
    {
        return ($this->wave->tMs[$i] - $this->step->tMs) / 1000;
    }

    /**
     * @param list<int>            $samples
     * @param \Closure(int): float $value
     */
    private function mean(array $samples, \Closure $value): float
    {
        return array_sum(array_map($value, $samples)) / max(1, count($samples));
    }

    /** @param \Closure(int): float $value */
    private function extreme(\Closure $value, bool $isLeast): int
    {
        $at = $this->window[0];
        $best = $value($at);
        foreach ($this->window as $i) {
            $one = $value($i);
            if ($isLeast ? $one < $best : $one > $best) {
                [$at, $best] = [$i, $one];
            }
        }

        return $at;
    }

    private function isVInside(int $i, GovernorClass $class): bool
    {
        $band = $class->vBandPct() / 100 * $this->in->nominalV;

        return ! Tolerance::exceeds(abs($this->wave->lowV($i) - $this->in->nominalV), $band)
            && ! Tolerance::exceeds(abs($this->wave->highV($i) - $this->in->nominalV), $band);
    }

    /**
     * Seconds to the sample from which on all are inside; null when the last is not, or it has not stayed there long enough.
     *
     * @param \Closure(int): bool $isInside
     */
    private function recovery(\Closure $isInside): ?float
    {
        $entry = null;
        foreach (array_reverse($this->window) as $i) {
            if (! $isInside($i)) {
                break;
            }
            $entry = $i;
        }
        if ($entry === null) {
            return null;
        }
        if ($entry === $this->window[0]) {
            return 0.0;
        }
        $end = $this->wave->tMs[$this->window[count($this->window) - 1]];

        return $end - $this->wave->tMs[$entry] < $this->in->stayMs ? null : $this->seconds($entry);
    }

    /**
     * How far a value swings beyond where it settles, after its extreme: each phase against its own mean.
     *
     * @param list<list<float>> $columns
     */
    private function overshoot(array $columns, int $extremeAt, bool $isIncrease, float $nominal): ?float
    {
        $later = array_values(array_filter($this->window, static fn(int $i): bool => $i > $extremeAt));
        if ($later === []) {
            return null;
        }
        $most = 0.0;
        foreach ($columns as $column) {
            $tail = $this->mean($this->tail, static fn(int $i): float => $column[$i]);
            foreach ($later as $i) {
                $most = max($most, $isIncrease ? $column[$i] - $tail : $tail - $column[$i]);
            }
        }

        return 100 * $most / $nominal;
    }
}
