<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** Takes the samples of a recording in order of time. */
interface SampleSink
{
    /** @param array<int, float> $v volts by phase, from 0 */
    public function take(float $atMs, array $v, ?float $hz): void;

    /** To be called once, after the last sample. */
    public function close(): Series;
}
