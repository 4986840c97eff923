<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Input\Tolerance;

/** The readings of a load test as stretches of time: what was held between two of them. */
final readonly class TestRecord
{
    private const DRIFT_PCT = 5;

    /** @var list<float> percent of the base, per reading */
    public array $loadPct;
    /** @var list<int> first readings of the intervals that are proved */
    private array $proved;
    public TestReading $low;
    public TestReading $top;

    public function __construct(private LoadTestInput $in)
    {
        $baseKw = $in->base->kw();
        $this->loadPct = array_map(static fn(TestReading $one): float => 100 * $one->kw / $baseKw, $in->readings);
        $low = $top = $in->readings[0];
        foreach ($in->readings as $reading) {
            $low = $reading->kw < $low->kw ? $reading : $low;
            $top = $reading->kw > $top->kw ? $reading : $top;
        }
        $proved = [];
        $maxGapS = $in->limits->maxGapS;
        for ($i = 0; $i < count($in->readings) - 1; $i++) {
            if (! Tolerance::exceeds($in->readings[$i + 1]->tS - $in->readings[$i]->tS, $maxGapS)) {
                $proved[] = $i;
            }
        }
        $this->proved = $proved;
        $this->low = $low;
        $this->top = $top;
    }

    /** @return list<int> first readings of the intervals whose ends are near enough to one another */
    public function proved(): array
    {
        return $this->proved;
    }

    public function seconds(int $i): float
    {
        return $this->in->readings[$i + 1]->tS - $this->in->readings[$i]->tS;
    }

    public function provedMin(): float
    {
        return array_sum(array_map($this->seconds(...), $this->proved())) / 60;
    }

    public function meanLoadPct(): ?float
    {
        $area = $length = 0.0;
        foreach ($this->proved() as $i) {
            $area += ($this->loadPct[$i] + $this->loadPct[$i + 1]) / 2 * $this->seconds($i);
            $length += $this->seconds($i);
        }

        return $length > 0 ? $area / $length : null;
    }

    public function maxLoadPct(): float
    {
        return max($this->loadPct);
    }

    /**
     * @param \Closure(int): bool $holds of a reading, by its place
     *
     * @return array{float, float} minutes that count in sum, and in the longest unbroken stretch
     */
    public function minutesWhere(\Closure $holds): array
    {
        $sum = $longest = $stretch = 0.0;
        $last = null;
        foreach ($this->proved() as $i) {
            if (! $holds($i) || ! $holds($i + 1)) {
                $last = null;
                continue;
            }
            $stretch = ($last === $i - 1 ? $stretch : 0.0) + $this->seconds($i);
            $last = $i;
            $sum += $this->seconds($i);
            $longest = max($longest, $stretch);
        }

        return [$sum / 60, $longest / 60];
    }

    /**
     * @param \Closure(TestReading): float $figure
     */
    public function worst(\Closure $figure): float
    {
        $worst = 0.0;
        foreach ($this->in->readings as $reading) {
            $worst = max($worst, $figure($reading));
        }

        return $worst;
    }

    /** Off nominal, in percent. */
    public function worstVPct(): float
    {
        $nominalV = $this->in->limits->nominalV;

        return $this->worst(static fn(TestReading $one): float => 100 * abs($one->v() - $nominalV) / $nominalV);
    }

    public function worstHzPct(): float
    {
        $nominalHz = $this->in->limits->nominalHz;

        return $this->worst(static fn(TestReading $one): float => 100 * abs($one->hz - $nominalHz) / $nominalHz);
    }

    public function regulationPct(): ?float
    {
        return $this->low->kw === $this->top->kw || $this->top->v() === 0.0 ? null
            : 100 * ($this->low->v() - $this->top->v()) / $this->top->v();
    }

    public function droopPct(): ?float
    {
        return $this->low->kw === $this->top->kw ? null : 100 * ($this->low->hz - $this->top->hz) / $this->in->limits->nominalHz;
    }

    /**
     * The last of a row of readings that have the figure.
     *
     * @param \Closure(TestReading): ?float $figure
     */
    public function last(\Closure $figure): ?float
    {
        $values = $this->values($figure);

        return $values === [] ? null : $values[count($values) - 1];
    }

    /**
     * @param \Closure(TestReading): ?float $figure
     *
     * @return list<float> where it was read
     */
    public function values(\Closure $figure): array
    {
        $values = [];
        foreach ($this->in->readings as $reading) {
            $value = $figure($reading);
            if ($value !== null) {
                $values[] = $value;
            }
        }

        return $values;
    }

    /** @return array{minutes: float, v: float, hz: float, oil_kpa: ?float, coolant_c: ?float} at the load of the end, last minus first */
    public function drift(): array
    {
        $last = $this->in->readings[count($this->in->readings) - 1];
        $first = $last;
        foreach (array_reverse($this->in->readings) as $reading) {
            if (Tolerance::exceeds(abs($reading->kw - $last->kw), self::DRIFT_PCT / 100 * $this->in->base->nameplateKw)) {
                break;
            }
            $first = $reading;
        }
        $minus = static fn(?float $a, ?float $b): ?float => $a === null || $b === null ? null : $a - $b;

        return [
            'minutes' => ($last->tS - $first->tS) / 60, 'v' => $last->v() - $first->v(), 'hz' => $last->hz - $first->hz,
            'oil_kpa' => $minus($last->oilKpa, $first->oilKpa), 'coolant_c' => $minus($last->coolantC, $first->coolantC),
        ];
    }
}
