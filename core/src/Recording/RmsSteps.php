<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** For recordings that hold RMS values already. */
final class RmsSteps implements SampleSink
{
    private readonly Series $series;
    private ?float $firstMs = null;

    public function __construct(int $phases)
    {
        $this->series = new Series($phases);
    }

    public function take(float $atMs, array $v, ?float $hz): void
    {
        $this->firstMs ??= $atMs;
        $this->series->reach($atMs - $this->firstMs);
        $this->series->add((int) round($atMs - $this->firstMs), array_map(static fn(float $value): float => abs($value), $v), $hz);
    }

    public function close(): Series
    {
        return $this->series;
    }
}
