<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\LoadTest\OwnLoad;
use Escapement\Core\LoadTest\OwnLoads;
use Escapement\Core\LoadTest\OwnLoadStep;
use Escapement\Core\LoadTest\PlannedStep;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A house tests its set with its own loads. */
final class OwnLoadsTest extends TestCase
{
    #[Test]
    public function each_level_is_reached_with_the_least_surplus_and_motors_come_on_first(): void
    {
        $loads = [new OwnLoad('Kettle', 2.0), new OwnLoad('Well pump', 1.1, true), new OwnLoad('Heat pump', 3.5, true),
            new OwnLoad('Oven', 3.0)];
        $order = (new OwnLoads($loads, 10.0))->order([self::step(30, 3.0), self::step(50, 5.0), self::step(75, 7.5)]);
        self::assertSame(['Oven'], $order[0]->on);
        self::assertSame([['Kettle'], [], 5.0], [$order[1]->on, $order[1]->off, $order[1]->kw]);
        self::assertSame([['Heat pump', 'Well pump'], ['Kettle'], 7.6], [$order[2]->on, $order[2]->off, $order[2]->kw]);
        self::assertSame([0.0, 0.0, 0.0], array_map(static fn(OwnLoadStep $one): float => $one->shortKw, $order));
    }

    #[Test]
    public function what_cannot_be_reached_is_said_and_nothing_is_switched_on_beyond_the_set(): void
    {
        $step = (new OwnLoads([new OwnLoad('Oven', 3.0), new OwnLoad('Sauna', 9.0)], 8.0))->order([self::step(75, 6.0)])[0];
        self::assertSame([['Oven'], 3.0, 3.0], [$step->running, $step->kw, $step->shortKw], 'the sauna alone is more than the set gives');
        self::assertSame([[], 6.0], [
            (new OwnLoads([], 8.0))->order([self::step(75, 6.0)])[0]->on, (new OwnLoads([], 8.0))->order([self::step(75, 6.0)])[0]->shortKw,
        ]);
    }

    #[Test]
    public function whatever_the_house_the_set_is_not_overloaded_and_the_order_adds_up(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($round = 0; $round < 80; $round++) {
            $usable = (float) $random->getInt(4, 14);
            $kws = [];
            $loads = array_map(static function (int $i) use ($random, &$kws): OwnLoad {
                $kws["Load $i"] = $random->getInt(1, 40) / 10;

                return new OwnLoad("Load $i", $kws["Load $i"], $random->getInt(0, 1) === 1);
            }, range(1, $random->getInt(1, 12)));
            $running = [];
            $steps = array_map(static fn(int $pct): PlannedStep => self::step($pct, $usable * $pct / 100), [30, 60, 90, 20]);
            foreach ((new OwnLoads($loads, $usable))->order($steps) as $step) {
                $running = [...array_diff($running, $step->off), ...$step->on];
                sort($running);
                $told = $step->running;
                sort($told);
                self::assertSame($told, $running, 'what is switched comes to what runs');
                $kw = array_sum(array_map(static fn(string $name): float => $kws[$name], $running));
                self::assertEqualsWithDelta($step->kw, $kw, 1e-6);
                self::assertLessThanOrEqual($usable + 1e-6, $kw);
                self::assertEqualsWithDelta(max(0.0, $step->targetKw - $kw), $step->shortKw, 1e-6);
            }
        }
    }

    private static function step(float $pct, float $targetKw): PlannedStep
    {
        return new PlannedStep($pct, 20, $targetKw, 0, [], 0, 0, 0, 0, 1200);
    }
}
