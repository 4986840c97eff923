<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Materials;

use Escapement\Core\Materials\Calibration;
use Escapement\Core\Materials\MaterialGroup;
use Escapement\Core\Materials\MaterialLine;
use Escapement\Core\Materials\MaterialsList;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\Feeder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class MaterialsListTest extends TestCase
{
    #[Test]
    public function conductors_of_one_size_are_one_line_with_their_ends_and_a_tenth_more(): void
    {
        $lines = self::byName([self::feeder('A', 10), self::feeder('B', 20)]);
        self::assertEqualsWithDelta(1.1 * (3 * 14 + 3 * 24), $lines['Conductor 4/0, aluminum']->quantity, 1e-9);
        self::assertEqualsWithDelta(1.1 * (14 + 24), $lines['Grounding conductor 4, aluminum']->quantity, 1e-9);
        self::assertEqualsWithDelta(1.1 * 30, $lines['PVC 40, trade size 2']->quantity, 1e-9, 'a raceway ends at the wall of its boxes');
        self::assertArrayHasKey('Joint compound for aluminum', $lines);
    }

    /** @param list<Feeder> $feeders */
    #[Test, DataProvider('pieces')]
    public function pieces_are_rounded_up_to_whole_ones(array $feeders, float $connectors): void
    {
        self::assertSame($connectors, self::byName($feeders)['PVC terminal adapter, locknut, trade size 2']->quantity);
    }

    /** @return iterable<string, array{list<Feeder>, float}> */
    public static function pieces(): iterable
    {
        yield 'two ends, and one to spare' => [[self::feeder('A', 1)], 3.0];
        yield 'two sets have four ends' => [[self::feeder('A', 1, 2)], 5.0];
        yield 'ten ends, and exactly one to spare' => [array_map(static fn(int $n): Feeder => self::feeder("R$n", 1), range(1, 5)), 11.0];
        yield 'twelve ends, and two' => [array_map(static fn(int $n): Feeder => self::feeder("R$n", 1), range(1, 6)), 14.0];
    }

    #[Test]
    public function a_tick_finds_its_line_again_after_the_schedule_has_changed(): void
    {
        $before = self::byName([self::feeder('A', 10)])['Conductor 4/0, aluminum'];
        $after = self::byName([self::feeder('A', 25), self::feeder('B', 1)])['Conductor 4/0, aluminum'];
        self::assertSame($before->key, $after->key);
        self::assertNotSame($before->quantity, $after->quantity);
    }

    #[Test]
    public function every_kind_has_a_list_whose_keys_differ_and_whose_gauges_are_few(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $lines = (new MaterialsList(
                $kind,
                [self::feeder('A', 3)],
                3,
                4,
                ['5/16'],
                true,
                true,
                [['name' => 'Ladder', 'quantity' => '2']],
            ))->lines();
            $keys = array_map(static fn(MaterialLine $line): string => $line->key, $lines);
            self::assertSame($keys, array_values(array_unique($keys)), $kind->value);
            self::assertSame(
                ['gear'],
                array_values(array_unique(array_map(
                    static fn(MaterialLine $line): string => $line->group->value,
                    array_filter($lines, static fn(MaterialLine $line): bool => $line->isGauge),
                ))),
            );
            self::assertSame(
                [2.0],
                array_values(array_map(
                    static fn(MaterialLine $line): ?float => $line->quantity,
                    array_filter($lines, static fn(MaterialLine $line): bool => $line->group === MaterialGroup::Own),
                )),
            );
        }
    }

    #[Test, DataProvider('days')]
    public function a_gauge_is_good_for_a_year(?string $calibrated, string $day, bool $isGood): void
    {
        self::assertSame($isGood, (new Calibration($calibrated))->isGoodOn($day));
    }

    /** @return iterable<string, array{?string, string, bool}> */
    public static function days(): iterable
    {
        yield 'on its last day' => ['2025-10-01', '2026-10-01', true];
        yield 'the day after' => ['2025-10-01', '2026-10-02', false];
        yield 'over a leap day a year is 365 days' => ['2027-03-01', '2028-02-29', true];
        yield 'and not one more' => ['2027-03-01', '2028-03-01', false];
        yield 'nobody knows when' => [null, '2026-10-01', false];
    }

    /**
     * @param list<Feeder> $feeders
     *
     * @return array<string, MaterialLine>
     */
    private static function byName(array $feeders): array
    {
        return array_column(
            array_map(
                static fn(MaterialLine $line): array => [$line->name, $line],
                (new MaterialsList(InstallationKind::WholeHouse, $feeders))->lines(),
            ),
            1,
            0,
        );
    }

    private static function feeder(string $name, float $lengthM, int $sets = 1): Feeder
    {
        return new Feeder($name, 'ats', 'panel', ['L1', 'L2'], 'al', '4/0', '4', $sets, 'pvc40', '2', $lengthM);
    }
}
