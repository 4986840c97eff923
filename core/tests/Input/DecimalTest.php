<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Input;

use Escapement\Core\Input\Decimal;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Input\Tolerance;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Numbers as they are written, and compared with a slack for what binary fractions lose. */
final class DecimalTest extends TestCase
{
    #[Test, DataProvider('numbers')]
    public function a_number_is_taken_by_its_digits(int|float $number, int $places, int $tenths, int $hundredths): void
    {
        self::assertSame($places, Decimal::places($number));
        self::assertSame($tenths, Decimal::units($number, 1));
        self::assertSame($hundredths, Decimal::units($number, 2));
    }

    /** @return iterable<string, array{int|float, int, int, int}> */
    public static function numbers(): iterable
    {
        yield 'a whole' => [7, 0, 70, 700];
        yield 'nothing' => [0, 0, 0, 0];
        yield 'a whole with a point' => [7.0, 0, 70, 700];
        yield 'half a tenth away from nothing' => [120.05, 2, 1201, 12_005];
        yield 'half a tenth below nothing' => [-120.05, 2, -1201, -12_005];
        yield 'less than half' => [0.04, 2, 0, 4];
        yield 'half a hundredth' => [0.005, 3, 0, 1];
        yield 'with an exponent' => [1.5e-7, 8, 0, 0];
        yield 'a large one' => [1.5e12, 0, 15_000_000_000_000, 150_000_000_000_000];
        yield 'more places than any instrument has' => [1.23456789012345, 9, 12, 123];
    }

    #[Test]
    public function numbers_are_scaled_to_the_finest_of_them(): void
    {
        self::assertSame(3, Decimal::placesOfAll([1, 2.5, 0.125, 7.0]));
        self::assertSame(0, Decimal::placesOfAll([]));
        self::assertSame(300, Decimal::scaled(0.1, 3) + Decimal::scaled(0.2, 3));
        self::assertSame(7000, Decimal::scaled(7, 3));
        self::assertSame(-125, Decimal::scaled(-0.125, 3));
        self::assertSame(3_999_999_999_999_999, Decimal::scaled(3_999_999_999_999_999.0, 0));
        self::assertSame(4e15, Decimal::scaled(4e15, 0), 'beyond that it stays a float');
    }

    #[Test, DataProvider('pairs')]
    public function what_differs_by_less_than_the_slack_is_the_same(float $a, float $b, bool $isOver, bool $isOverInProportion): void
    {
        self::assertSame($isOver, Tolerance::exceeds($a, $b));
        self::assertSame($isOver, Tolerance::isBelow($b, $a));
        self::assertSame($isOverInProportion, RelativeTolerance::isOver($a, $b));
        self::assertSame(! $isOverInProportion, RelativeTolerance::isAtLeast($b, $a));
    }

    /** @return iterable<string, array{float, float, bool, bool}> */
    public static function pairs(): iterable
    {
        yield 'the same' => [5.0, 5.0, false, false];
        yield 'what binary fractions lose' => [0.1 + 0.2, 0.3, false, false];
        yield 'within the slack' => [1000.0 + 0.9e-6, 1000.0, false, false];
        yield 'beyond it' => [1000.0 + 1.1e-6, 1000.0, true, true];
        yield 'small, within the slack of one' => [1e-3 + 0.9e-9, 1e-3, false, true];
        yield 'small, beyond it' => [1e-3 + 1.1e-9, 1e-3, true, true];
        yield 'below nothing, within' => [-1000.0, -1000.0 - 0.9e-6, false, false];
        yield 'below nothing, beyond' => [-1000.0, -1000.0 - 1.1e-6, true, true];
        yield 'less' => [1.0, 2.0, false, false];
    }

    #[Test]
    public function a_patch_changes_what_it_names_and_null_stays(): void
    {
        $sheet = ['a' => ['b' => 1, 'c' => [1, 2]], 'd' => 4, 'e' => 'x'];
        self::assertSame(
            ['a' => ['b' => 9, 'c' => [3]], 'd' => null, 'e' => ['f' => 1], 'g' => 5],
            MergePatch::apply($sheet, ['a' => ['b' => 9, 'c' => [3]], 'd' => null, 'e' => ['f' => 1], 'g' => 5]),
        );
        self::assertSame($sheet, MergePatch::apply($sheet, []));
    }
}
