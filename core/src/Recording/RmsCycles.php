<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/**
 * For waveforms: the RMS of each whole cycle, which then counts for the cycle it was measured over; the frequency from
 * the rising zero crossings of the first phase, over ten cycles, while there is voltage enough to see them.
 */
final class RmsCycles implements SampleSink
{
    private const CYCLES_FOR_HERTZ = 10;
    /** Below this share of nominal, noise crosses zero too. */
    private const VISIBLE = 0.2;

    private readonly Series $series;
    private readonly float $cyclesPerMs;
    private ?float $firstMs = null;
    private int $cycle = 0;
    private int $samples = 0;
    /** @var array<int, float> by phase */
    private array $squares;
    private float $beforeMs = 0.0;
    private float $before = 0.0;
    private ?float $crossedAtMs = null;
    private int $crossings = 0;
    private ?float $hz = null;

    public function __construct(int $phases, private readonly float $nominalHz, private readonly float $nominalV)
    {
        $this->series = new Series($phases);
        $this->cyclesPerMs = $nominalHz / 1000;
        $this->squares = array_fill(0, max(1, $phases), 0.0);
    }

    public function take(float $atMs, array $v, ?float $hz): void
    {
        $this->firstMs ??= $atMs;
        $atMs -= $this->firstMs;
        $cycle = (int) ($atMs * $this->cyclesPerMs + 1e-9);
        if ($cycle > $this->cycle) {
            $this->endCycle();
            $this->cycle = $cycle;
        }
        foreach ($v as $phase => $value) {
            $this->squares[$phase] += $value * $value;
        }
        $this->samples++;
        if ($this->before < 0.0 && $v[0] >= 0.0) {
            $this->crossed($this->beforeMs + ($atMs - $this->beforeMs) * -$this->before / ($v[0] - $this->before));
        }
        $this->before = $v[0];
        $this->beforeMs = $atMs;
    }

    public function close(): Series
    {
        if ($this->series->atMs === []) {
            $this->endCycle(); // shorter than a cycle: better that than nothing; a torn cycle at the end says too little
        }
        $this->series->reach($this->beforeMs);

        return $this->series;
    }

    private function endCycle(): void
    {
        if ($this->samples > 0) {
            $rms = [];
            foreach ($this->squares as $phase => $sum) {
                $rms[] = sqrt($sum / $this->samples);
                $this->squares[$phase] = 0.0;
            }
            if ($rms[0] < self::VISIBLE * $this->nominalV) {
                $this->crossedAtMs = null;
                $this->hz = null;
            }
            $this->series->add((int) round($this->cycle / $this->nominalHz * 1000), $rms, $this->hz);
        }
        $this->samples = 0;
    }

    private function crossed(float $atMs): void
    {
        if ($this->crossedAtMs === null) {
            $this->crossedAtMs = $atMs;
            $this->crossings = 0;
        } elseif (++$this->crossings === self::CYCLES_FOR_HERTZ) {
            $this->hz = self::CYCLES_FOR_HERTZ * 1000 / ($atMs - $this->crossedAtMs);
            $this->crossedAtMs = $atMs;
            $this->crossings = 0;
        }
    }
}
