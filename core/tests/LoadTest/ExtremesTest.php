<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\LoadTest\Extremes;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Many points drawn as few. */
final class ExtremesTest extends TestCase
{
    #[Test]
    public function no_dip_is_lost_and_time_goes_on(): void
    {
        $random = new Randomizer(new Mt19937(3));
        for ($round = 0; $round < 40; $round++) {
            $count = $random->getInt(1, 3000);
            $points = array_map(static fn(int $i): array => [(float) $i, (float) $random->getInt(-999, 999)], range(0, $count - 1));
            $few = Extremes::of($points, 100);
            self::assertLessThanOrEqual(max(100, min($count, 100)), count($few));
            self::assertSame(min(array_column($points, 1)), min(array_column($few, 1)));
            self::assertSame(max(array_column($points, 1)), max(array_column($few, 1)));
            $times = array_column($few, 0);
            $sorted = $times;
            sort($sorted);
            self::assertSame($sorted, $times);
            self::assertSame($times, array_values(array_unique($times)));
        }
    }

    #[Test]
    public function few_points_stay_as_they_are(): void
    {
        $points = [[0.0, 5.0], [1.0, 4.0], [2.0, 6.0]];
        self::assertSame($points, Extremes::of($points, 3));
        self::assertSame([], Extremes::of([], 2));
        self::assertSame([[1.0, 4.0], [2.0, 6.0]], Extremes::of($points, 2));
    }
}
