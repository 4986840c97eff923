<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Recording\RmsCycles;
use Escapement\Core\Recording\Series;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** RMS of each whole cycle and frequency over ten, of waves that are drawn by their formula. */
final class RmsCyclesTest extends TestCase
{
    private const RATE = 6000;

    #[Test, DataProvider('waves')]
    public function a_steady_wave_has_its_volts_and_its_hertz(float $volts, float $hertz, float $nominalHz, float $fromMs): void
    {
        $series = self::series($nominalHz, static fn(float $s): array => [M_SQRT2 * $volts * sin(2 * M_PI * $hertz * $s)], 1.0, $fromMs);
        self::assertSame(0, $series->atMs[0], 'from its first sample on');
        foreach (array_slice($series->v[0], 0, -1) as $rms) {
            self::assertEqualsWithDelta($volts, $rms, $hertz === $nominalHz ? 0.001 : $volts * 0.05);
        }
        $measured = array_values(array_filter($series->hz, static fn(?float $hz): bool => $hz !== null));
        self::assertNotSame([], $measured);
        foreach ($measured as $hz) {
            self::assertEqualsWithDelta($hertz, $hz, 0.01);
        }
        $first = (int) array_search($measured[0], $series->hz, true);
        $within = 1000 / $nominalHz + 1;
        self::assertEqualsWithDelta(11_000 / $hertz, $series->atMs[$first], $within, 'from its first crossing ten cycles pass');
    }

    /** @return iterable<string, array{float, float, float, float}> */
    public static function waves(): iterable
    {
        yield 'as it should be' => [120.0, 60.0, 60.0, 0.0];
        yield 'from a later time' => [120.0, 60.0, 60.0, 5000.0];
        yield 'slow' => [120.0, 57.5, 60.0, 0.0];
        yield 'fast' => [110.0, 62.4, 60.0, 0.0];
        yield 'elsewhere' => [230.0, 50.0, 50.0, 0.0];
        yield 'just seen' => [24.1, 60.0, 60.0, 0.0];
    }

    #[Test]
    public function below_a_fifth_of_nominal_noise_has_no_frequency(): void
    {
        $weak = self::series(60.0, static fn(float $s): array => [M_SQRT2 * 23.9 * sin(2 * M_PI * 60 * $s)], 1.0);
        self::assertSame([], array_filter($weak->hz, static fn(?float $hz): bool => $hz !== null));
        self::assertEqualsWithDelta(23.9, $weak->v[0][0], 0.001);
        self::assertEqualsWithDelta(1000, $weak->untilMs, 1, 'to its last sample');
    }

    #[Test]
    public function each_phase_has_its_own_volts_and_a_loss_is_seen_with_its_cycle(): void
    {
        $series = self::series(60.0, static fn(float $s): array => [
            M_SQRT2 * 120 * sin(2 * M_PI * 60 * $s), M_SQRT2 * ($s < 0.5 ? 118 : 0) * sin(2 * M_PI * 60 * $s + M_PI),
        ], 1.0);
        self::assertEqualsWithDelta([120.0, 118.0], $series->at(0), 0.001);
        $lost = array_search(0.0, $series->v[1], true);
        self::assertSame(500, $series->atMs[$lost]);
        self::assertEqualsWithDelta(120.0, $series->v[0][$lost], 0.001);
    }

    #[Test]
    public function less_than_a_cycle_is_better_than_nothing_and_the_torn_one_at_the_end_is_left(): void
    {
        $short = self::series(60.0, static fn(float $s): array => [100.0], 0.01);
        self::assertSame([[100.0], [0]], [$short->v[0], $short->atMs]);
        $torn = self::series(60.0, static fn(float $s): array => [$s < 0.0333 ? 100.0 : 7.0], 0.04);
        self::assertNotContains(7.0, $torn->v[0]);
        self::assertSame([100.0], array_values(array_unique($torn->v[0])));
    }

    /** @param \Closure(float): list<float> $wave volts by the second */
    private static function series(float $nominalHz, \Closure $wave, float $forS, float $fromMs = 0.0): Series
    {
        $cycles = new RmsCycles(count($wave(0.0)), $nominalHz, $nominalHz === 50.0 ? 230.0 : 120.0);
        for ($n = 0; $n < $forS * self::RATE; $n++) {
            $cycles->take($fromMs + $n * 1000 / self::RATE, $wave($n / self::RATE), null);
        }

        return $cycles->close();
    }
}
