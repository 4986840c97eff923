<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Recording\Climate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Disturbances drawn by a seed stay between the ends that were asked for, and come as often. */
final class ClimateTest extends TestCase
{
    private const YEARS = 20;

    /** @return iterable<string, array{Climate, float, float, float, float, float}> how many a year; seconds, percent of volts */
    public static function climates(): iterable
    {
        $of = static fn(float $blinks, float $sags, float $outages): Climate => new Climate(
            $blinks,
            1.5,
            $sags,
            60.0,
            8.0,
            $outages,
            30.0,
            7200.0,
            0.0,
            365 * self::YEARS,
            11,
        );
        yield 'blinks' => [$of(40, 0, 0), 40, 0.05, 1.5, 0, 0];
        yield 'sags' => [$of(0, 40, 0), 40, 0.05, 8.0, 60, 90];
        yield 'outages' => [$of(0, 0, 40), 40, 30.0, 7200.0, 0, 0];
    }

    #[Test, DataProvider('climates')]
    public function each_lasts_as_long_and_is_as_deep_as_it_may(
        Climate $climate,
        float $perYear,
        float $leastS,
        float $mostS,
        float $leastPct,
        float $mostPct,
    ): void {
        $list = $climate->disturbances(120);
        self::assertEqualsWithDelta($perYear, count($list) / self::YEARS, 0.2 * $perYear);
        $lengths = $depths = [];
        $overMs = -1;
        foreach ($list as $one) {
            self::assertGreaterThanOrEqual($overMs + 1000, $one['at_ms'] + 1, 'a second after the one before');
            self::assertCount(2, $one['events']);
            [$from, $to] = $one['events'];
            self::assertSame([0, 'set_source', 'normal', 'set_source', 'normal', 120], [
                $from['at_ms'], $from['do'], $from['source'], $to['do'], $to['source'], $to['v'],
            ]);
            $lengths[] = $to['at_ms'] / 1000;
            $depths[] = 100 * $from['v'] / 120;
            $overMs = $one['at_ms'] + $to['at_ms'];
        }
        self::assertGreaterThanOrEqual($leastS - 0.001, min($lengths));
        self::assertLessThanOrEqual($mostS + 0.001, max($lengths));
        self::assertLessThan($leastS * 1.1 + 0.001, min($lengths), 'the short end is reached');
        self::assertGreaterThan($mostS * 0.85, max($lengths), 'and the long one');
        sort($lengths);
        self::assertEqualsWithDelta(log(sqrt($leastS * $mostS)), log($lengths[intdiv(count($lengths), 2)]), 0.25, 'half of them are short');
        self::assertGreaterThanOrEqual($leastPct - 0.1, min($depths));
        self::assertLessThanOrEqual($mostPct + 0.1, max($depths));
        self::assertEqualsWithDelta(($leastPct + $mostPct) / 2, array_sum($depths) / count($depths), 1.0);
    }

    #[Test]
    public function a_supply_that_comes_back_falsely_goes_again_within_a_minute(): void
    {
        $list = (new Climate(0, 1, 0, 50, 1, 200, 30, 600, 0.5, 365, 3))->disturbances(230);
        $false = array_values(array_filter($list, static fn(array $one): bool => count($one['events']) === 4));
        self::assertEqualsWithDelta(0.5, count($false) / count($list), 0.12);
        foreach ($false as $one) {
            [, $back, $gone, $stays] = $one['events'];
            self::assertSame([230, 0, 230], [$back['v'], $gone['v'], $stays['v']]);
            self::assertGreaterThanOrEqual(2000, $gone['at_ms'] - $back['at_ms']);
            self::assertLessThanOrEqual(52_000, $gone['at_ms'] - $back['at_ms']);
            self::assertGreaterThanOrEqual(5000, $stays['at_ms'] - $gone['at_ms'] + 1);
            self::assertLessThanOrEqual(300_001, $stays['at_ms'] - $gone['at_ms']);
        }
    }

    #[Test]
    public function a_quiet_supply_has_none_and_a_wild_one_no_more_than_can_be_played(): void
    {
        self::assertSame([], (new Climate(0, 1, 0, 50, 1, 0, 30, 600, 0, 365, 1))->disturbances(120));
        self::assertCount(Climate::MOST_DISTURBANCES, (new Climate(1e6, 0.06, 0, 50, 1, 0, 30, 600, 0, 365, 1))->disturbances(120));
        $short = (new Climate(100, 1, 0, 50, 1, 0, 30, 600, 0, 10, 1))->disturbances(120);
        self::assertLessThanOrEqual(10 * 86_400_000, max([0, ...array_column($short, 'at_ms')]));
    }

    #[Test]
    public function the_same_seed_draws_the_same_and_another_others(): void
    {
        $of = static fn(int $seed): array => (new Climate(20, 1, 20, 50, 1, 5, 30, 600, 0.2, 365, $seed))->disturbances(120);
        self::assertSame($of(5), $of(5));
        self::assertNotSame($of(5), $of(6));
    }
}
