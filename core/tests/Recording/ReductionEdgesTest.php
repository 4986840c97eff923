<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\Series;
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
}
