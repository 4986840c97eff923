<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Recording\SampleSink;
use Escapement\Core\Recording\Series;

/** Keeps what it is given as it is. */
final class Samples implements SampleSink
{
    /** @var list<array{float, array<int, float>, ?float}> milliseconds, volts, hertz */
    public array $taken = [];

    public function take(float $atMs, array $v, ?float $hz): void
    {
        $this->taken[] = [$atMs, $v, $hz];
    }

    public function close(): Series
    {
        return new Series(1);
    }
}
