<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\RmsCycles;
use Escapement\Core\Recording\RmsSteps;
use Escapement\Core\Recording\SampleSink;
use Escapement\Core\Recording\Series;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SeriesTest extends TestCase
{
    #[Test, DataProvider('sinks')]
    public function a_time_beyond_a_year_is_refused_and_none_becomes_an_error(SampleSink $sink): void
    {
        $sink->take(0.0, [120.0], 60.0);
        $this->expectException(RecordingFault::class);
        $this->expectExceptionMessage('longer than a year');
        $sink->take(1e18, [119.0], 60.0);
        $sink->close();
    }

    /** @return iterable<string, array{SampleSink}> */
    public static function sinks(): iterable
    {
        yield 'RMS values' => [new RmsSteps(1)];
        yield 'samples' => [new RmsCycles(1, 60.0, 120.0)];
    }

    #[Test]
    public function every_different_value_is_kept_and_equal_ones_fold(): void
    {
        $series = new Series(2);
        for ($i = 0; $i < 30_000; $i++) {
            $series->add($i, [100 + $i % 7, 110.0 + intdiv($i, 3)], 60.0);
        }
        self::assertCount(30_000, $series->atMs);
        for ($i = 30_000; $i < 60_000; $i++) {
            $series->add($i, [1.0, 2.0], 60.0);
        }
        self::assertCount(30_001, $series->atMs);
        self::assertSame([1.0, 2.0], $series->at(30_000));
        self::assertSame(59_999, $series->untilMs);
    }
}
