<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Season\OutcomeTally;
use Escapement\Core\Simulation\Event\EngineFired;
use Escapement\Core\Simulation\Event\SwitchClosed;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What a season counts for each of its disturbances, against counting millisecond by millisecond. Rule: docs/rules.md#season. */
final class OutcomeTallyTest extends TestCase
{
    #[Test]
    public function darkness_belongs_to_the_window_in_which_it_was_dark(): void
    {
        $random = new Randomizer(new Mt19937(8));
        for ($round = 0; $round < 60; $round++) {
            $starts = self::rising($random, 6, 40);
            $until = $starts[5] + 40;
            $outages = self::rising($random, 10, 30);
            $found = (new OutcomeTally($starts, $until))->outcomes($outages);
            self::assertCount(6, $found);
            foreach ($found as $i => $packed) {
                $dark = 0;
                for ($t = $starts[$i]; $t < ($starts[$i + 1] ?? $until); $t++) {
                    for ($k = 0; $k < 10; $k += 2) {
                        $dark += $t >= $outages[$k] && $t < $outages[$k + 1] ? 1 : 0;
                    }
                }
                self::assertSame($dark, OutcomeTally::outcome($packed)['bus_dead_ms'], "round $round, window $i");
            }
        }
    }

    #[Test]
    public function starts_and_transfers_belong_to_the_window_that_has_begun(): void
    {
        $tally = new OutcomeTally([100, 200], 300);
        $tally->take(new EngineFired(99, 20, 40)); // before the first disturbance
        $tally->take(new EngineFired(100, 20, 40));
        $tally->take(new SwitchClosed(150, Side::Emergency, 10));
        $tally->take(new SwitchClosed(199, Side::Normal, 10));
        $tally->take(new EngineFired(200, 20, 40));
        $tally->take(new SwitchClosed(300, Side::Emergency, 10));
        $counts = array_map(static fn(string $one): array => array_values(OutcomeTally::outcome($one)), $tally->outcomes([]));
        self::assertSame([[1, 1, 1, 0], [1, 1, 0, 0]], $counts);
    }

    /** @return list<int> */
    private static function rising(Randomizer $random, int $count, int $most): array
    {
        $all = [];
        $at = 0;
        for ($i = 0; $i < $count; $i++) {
            $all[] = $at += $random->getInt(1, $most);
        }

        return $all;
    }
}
