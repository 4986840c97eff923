<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\Series;
use Escapement\Core\Settings\Limit;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Which points of a recording are kept: each reach on its edge. The house has 120 V, 60 Hz, drop-out 80 %, pick-up 90 %. */
final class ReductionEdgesTest extends TestCase
{
    /** @return iterable<string, array{list<array{float, ?float}>, list<array{?float, ?float}>}> volts and hertz; what is kept of them */
    public static function series(): iterable
    {
        yield 'nominal' => [[[120, 60]], []];
        yield 'near nominal' => [[[122.39, 60.119]], []];
        yield 'further from it' => [[[122.41, 60.121]], [[122.41, 60.121]]];
        yield 'near the last that was kept' => [[[100, 60], [102.39, 60]], [[100, null]]];
        yield 'further from that' => [[[100, 60], [102.5, 60]], [[100, null], [102.5, null]]];
        yield 'near it on the other side of the drop-out' => [[[96.1, 60], [95.9, 60]], [[96.1, null], [95.9, null]]];
        yield 'on the drop-out itself' => [[[96.1, 60], [96, 60]], [[96.1, null], [96, null]]];
        yield 'near it on the other side of the pick-up' => [[[107.9, 60], [108.1, 60]], [[107.9, null], [108.1, null]]];
        yield 'near it on the other side of half' => [[[60.1, 60], [59.9, 60]], [[60.1, null], [59.9, null]]];
        yield 'back near nominal' => [[[100, 60], [119, 60]], [[100, null], [120, null]]];
        yield 'hertz alone' => [[[120, 59]], [[null, 59]]];
        yield 'hertz near the last that was kept' => [[[120, 59], [120, 59.12]], [[null, 59]]];
        yield 'hertz further from it' => [[[120, 59], [120, 59.13]], [[null, 59], [null, 59.13]]];
        yield 'hertz not measured' => [[[120, 59], [100, null]], [[null, 59], [100, null]]];
        yield 'hertz back near nominal' => [[[120, 59], [120, 60.1]], [[null, 59], [null, 60]]];
    }

    /**
     * @param list<array{float, ?float}>  $points
     * @param list<array{?float, ?float}> $kept
     */
    #[Test, DataProvider('series')]
    public function a_point_is_kept_for_what_it_changes(array $points, array $kept): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        self::assertSame([80.0, 90.0], [
            (float) $template->settings()->normal->underVoltage?->dropoutPct,
            (float) $template->settings()->normal->underVoltage?->pickupPct,
        ]);
        $series = new Series(1);
        foreach ($points as $i => [$volts, $hertz]) {
            $series->add(1000 * $i, [$volts, $volts], $hertz);
        }
        $plant = $template->plant();
        $events = (new Reduction($plant->normal, [$template->settings()->normal]))->events(self::twoLegs($series));
        $told = array_map(static fn(object $event): array => [$event->v[0] ?? null, $event->hz], $events);
        self::assertEquals($kept, $told);
    }

    private static function twoLegs(Series $one): Series
    {
        $two = new Series(2);
        foreach ($one->atMs as $i => $atMs) {
            $two->add($atMs, [$one->v[0][$i], $one->v[0][$i]], $one->hz[$i]);
        }

        return $two;
    }

    /**
     * @param list<list<float>> $points volts of three phases
     * @param list<int>         $kept   places of those that are
     */
    #[Test, DataProvider('unbalances')]
    public function an_unbalance_that_crosses_its_limit_is_kept_however_small_the_step(array $points, array $kept): void
    {
        $template = new SheetTemplate(InstallationKind::ContactorGenerator);
        $sensing = $template->settings()->normal; // unbalance: drop-out 5 %, pick-up 3 %
        self::assertSame([5.0, 3.0], [(float) $sensing->unbalance?->dropoutPct, (float) $sensing->unbalance?->pickupPct]);
        $series = new Series(3);
        foreach ($points as $i => $volts) {
            $series->add(1000 * $i, $volts, 60.0);
        }
        $events = (new Reduction($template->plant()->normal, [$sensing]))->events($series);
        self::assertSame(array_map(static fn(int $place): int => 1000 * $place, $kept), array_column($events, 'atMs'));
    }

    /** @return iterable<string, array{list<list<float>>, list<int>}> */
    public static function unbalances(): iterable
    {
        // the others stand so that the mean stays 120: the spread is the distance of the first
        $low = static fn(float $by): array => [120 - $by, 120 + $by / 2, 120 + $by / 2];
        $high = static fn(float $by): array => [120 + $by, 120 - $by / 2, 120 - $by / 2];
        yield 'nothing to tell' => [[$low(2.0), $low(2.3)], []];
        yield 'over the pick-up, one phase low' => [[$low(3.5), $low(3.7)], [0, 1]];
        yield 'over the pick-up, one phase high' => [[$high(3.5), $high(3.7)], [0, 1]];
        yield 'over the drop-out' => [[$low(5.9), $low(6.1)], [0, 1]];
        yield 'on the drop-out' => [[$low(5.9), $low(6.0), $low(6.1)], [0, 1, 2]];
        yield 'between the two' => [[$low(4.0), $low(5.5)], [0]];
        yield 'and back' => [[$low(6.1), $low(5.9)], [0, 1]];
        yield 'all gone' => [[[0.0, 0.0, 0.0], [1.0, 0.0, 0.0]], [0, 1]];
    }

    #[Test]
    public function two_sensings_are_both_looked_at(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $wide = $template->settings()->normal;
        $narrow = $template->settings()->emergency;
        $series = new Series(2);
        foreach ([114.0, 113.9, 111.9] as $i => $volts) {
            $series->add(1000 * $i, [$volts, $volts], 60.0);
        }
        $kept = static fn(Sensing ...$by): array => array_column(
            (new Reduction($template->plant()->normal, array_values($by)))->events($series),
            'atMs',
        );
        self::assertSame([0], $kept($wide, $narrow));
        $late = new Sensing(new Limit(93, 95), $wide->overVoltage, null, null, null, false, 500);
        self::assertSame([0, 1000], $kept($wide, $late), 'the pick-up of one, and its drop-out at 111.6 is not reached');
    }
}
