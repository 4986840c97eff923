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
    /** @var list<float> length of the interval after each reading but the last */
    private array $seconds;
    private float $provedMin;
    private ?float $meanLoadPct;
    public WorstReadings $worst;
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
        $this->low = $low;
        $this->top = $top;
        $this->worst = new WorstReadings($in);
        $readings = $in->readings;
        $proved = $seconds = [];
        $maxGapS = $in->limits->maxGapS;
        $area = $length = 0.0;
        for ($i = 0, $last = count($readings) - 1; $i < $last; $i++) {
            $seconds[] = $lastsS = $readings[$i + 1]->tS - $readings[$i]->tS;
            if (! Tolerance::exceeds($lastsS, $maxGapS)) {
                $proved[] = $i;
                $area += ($this->loadPct[$i] + $this->loadPct[$i + 1]) / 2 * $lastsS;
                $length += $lastsS;
            }
        }
        $this->proved = $proved;
        $this->seconds = $seconds;
        $this->provedMin = $length / 60;
        $this->meanLoadPct = $length > 0 ? $area / $length : null;
    }

    /** @return list<int> first readings of the intervals whose ends are near enough to one another */
    public function proved(): array
    {
        return $this->proved;
    }

    public function seconds(int $i): float
    {
        return $this->seconds[$i];
    }

    public function provedMin(): float
    {
        return $this->provedMin;
    }

    public function meanLoadPct(): ?float
    {
        return $this->meanLoadPct;
    }

    public function maxLoadPct(): float
    {
        return max($this->loadPct);
    }

    /**
     * @param list<bool> $holds of each reading
     *
     * @return array{float, float} minutes that count in sum, and in the longest unbroken stretch
     */
    public function minutesWhere(array $holds): array
    {
        $sum = $longest = $stretch = 0.0;
        $last = null;
        foreach ($this->proved as $i) {
            if (! $holds[$i] || ! $holds[$i + 1]) {
                $last = null;
                continue;
            }
            $stretch = ($last === $i - 1 ? $stretch : 0.0) + $this->seconds[$i];
            $last = $i;
            $sum += $this->seconds[$i];
            $longest = max($longest, $stretch);
        }

        return [$sum / 60, $longest / 60];
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
