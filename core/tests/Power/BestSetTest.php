<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Power\BestSet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The heaviest set that fits: held against every set there is, and against how little of them has to be looked at. */
final class BestSetTest extends TestCase
{
    #[Test, DataProvider('smallSets')]
    public function no_set_that_fits_is_heavier_or_comes_first(int $seed): void
    {
        [$ids, $weights, $needs, $room, $always] = self::items($seed, 9, 2);
        $best = null;
        for ($mask = 0; $mask < 1 << count($ids); $mask++) {
            $left = $room;
            $weight = 0;
            $off = $always;
            foreach ($ids as $i => $id) {
                if (($mask >> $i & 1) === 0) {
                    $off[] = $id;
                    continue;
                }
                $weight += $weights[$i];
                $left = array_map(static fn(float $all, float $need): float => $all - $need, $left, $needs[$i]);
            }
            sort($off, SORT_STRING);
            if (min($left) >= -BestSet::SLACK && ($best === null || [-$weight, implode(' ', $off)] < $best)) {
                $best = [-$weight, implode(' ', $off)];
            }
        }
        self::assertSame($best[1], implode(' ', (new BestSet($ids, $weights, $needs, $room, $always))->shed()));
    }

    /** @return iterable<string, array{int}> */
    public static function smallSets(): iterable
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            yield "set $seed" => [$seed];
        }
    }

    #[Test]
    public function what_fits_to_the_last_watt_is_carried(): void
    {
        self::assertSame([], (new BestSet(['a', 'b'], [1, 1], [[3.0], [2.0]], [5.0], []))->shed());
        self::assertSame(['b'], (new BestSet(['a', 'b'], [2, 1], [[3.0], [2.1]], [5.0], []))->shed());
        self::assertSame(['a', 'b'], (new BestSet(['a', 'b'], [2, 1], [[3.0], [2.1]], [0.0], []))->shed());
        self::assertSame(['x'], (new BestSet([], [], [], [5.0], ['x']))->shed());
    }

    /** A bound that says less, and more branches are looked at. */
    #[Test, DataProvider('largeSets')]
    public function the_search_looks_at_no_more_than_it_must(int $seed, int $count, int $limits, int $branches, string $shed): void
    {
        [$ids, $weights, $needs, $room, $always] = self::items($seed, $count, $limits);
        $set = new BestSet($ids, $weights, $needs, $room, $always);
        self::assertSame([$shed, $branches], [implode(' ', $set->shed()), $set->branches()]);
    }

    /** @return iterable<string, array{int, int, int, int, string}> seed, items, limits, branches, what is left off */
    public static function largeSets(): iterable
    {
        $sets = [
            [1, 12, 1, 20, 'h2 l11 n7 o1'],
            [2, 12, 1, 30, 'a9 b4 e2 g1 h5 z8'],
            [3, 12, 1, 21, 'c0 c10 d1 k8 m-always'],
            [4, 12, 1, 46, 'g0 p5'],
            [5, 12, 1, 31, 's2 y3'],
            [6, 12, 1, 39, 'a6 i5 m-always o3'],
            [1, 14, 2, 26, 'd12 p10 r6 t0 t1 z2'],
            [2, 14, 2, 38, 'b3 c13 g12 j11 m1 n9 p7 t4'],
            [3, 14, 2, 33, 'a1 f12 f3 l13 m-always p9 r10'],
            [4, 14, 2, 24, 'a2 g0 q12 u10 u13 u5'],
            [5, 14, 2, 114, 'a6 g2 n3 n9 r8'],
            [6, 14, 2, 45, 'a11 a7 h8 k2 m-always'],
            [1, 18, 3, 249, 'b1 e12 f16 h9 m6 o2 p8 v14 y15'],
            [2, 18, 3, 22, 'd14 h3 l15 n13 n6 p1 s5 u12 u2 y16 z9'],
            [3, 18, 3, 41, 'c6 k1 m-always n11 r8 t10 t13 x16 y14'],
            [4, 18, 3, 27, 'a7 d6 e5 g0 p3 s13 t10 u4 u8'],
            [5, 18, 3, 43, 'b0 c8 d13 f12 f7 n5 q1 t2 u9 y6'],
            [6, 18, 3, 48, 'b1 g10 g17 m-always t12 t9 w13 x15'],
            [1, 24, 3, 54, 'a19 b1 f16 h9 l11 m6 s21 v14'],
            [2, 24, 3, 56, 'd14 h3 j19 l22 m23 n13 o20 p1 s18 s5 u12 u21 y16 z9'],
            [3, 24, 3, 45, 'a15 c17 c6 e21 k22 m-always r8 s2 x16 y14'],
            [4, 24, 3, 99, 'a7 c19 p3 t10 u8 w21 x23 z18'],
            [5, 24, 3, 128, 'b0 f12 f7 g22 i18 n5 q1 q20 u9'],
            [6, 24, 3, 123, 'a0 e7 g10 i3 k11 k4 m-always t12 t9 v21 w13 x16 z6'],
        ];
        foreach ($sets as $set) {
            yield "$set[1] items, $set[2] limits, set $set[0]" => $set;
        }
    }

    /** @return array{list<string>, list<int>, list<list<float>>, list<float>, list<string>} ids, weights, needs, room, always */
    private static function items(int $seed, int $count, int $limits): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $ids = $weights = $needs = $room = [];
        for ($i = 0; $i < $count; $i++) {
            $ids[] = chr(97 + $random->getInt(0, 25)) . $i;
            $weights[] = $random->getInt(1, 9);
            $needs[] = array_map(static fn(): float => $random->getInt(0, 60) / 10, range(1, $limits));
        }
        for ($k = 0; $k < $limits; $k++) {
            $room[] = round(array_sum(array_column($needs, $k)) * $random->getInt(30, 80) / 100, 1);
        }

        return [$ids, $weights, $needs, $room, $seed % 3 === 0 ? ['m-always'] : []];
    }
}
