<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\Derived;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class DerivedTest extends TestCase
{
    /** @param array<string, float> $volts by phase */
    #[Test, DataProvider('volts')]
    public function the_unbalance_is_the_farthest_phase_from_the_mean(array $volts, ?float $pct): void
    {
        $values = [];
        foreach ($volts as $phase => $value) {
            $values["on_load_checks/generator-volts-$phase"] = $value;
        }
        $line = Derived::of('on_load_checks/unbalance', $values + ['energise/utility-volts-L1' => 90.0]);
        if ($pct === null) {
            self::assertNull($line);
        } else {
            self::assertEqualsWithDelta($pct, $line?->value, 1e-9);
            self::assertStringContainsString('mean', (string) $line?->expression);
        }
    }

    /** @return iterable<string, array{array<string, float>, ?float}> */
    public static function volts(): iterable
    {
        yield 'all alike' => [['L1' => 230.0, 'L2' => 230.0, 'L3' => 230.0], 0.0];
        yield 'one low' => [['L1' => 230.0, 'L2' => 230.0, 'L3' => 218.5], 100 * (226.16666666666666 - 218.5) / 226.16666666666666];
        yield 'one high' => [['L1' => 240.0, 'L2' => 230.0, 'L3' => 230.0], 100 * (240 - 700 / 3) / (700 / 3)];
        yield 'a phase is missing' => [['L1' => 230.0, 'L2' => 230.0], null];
        yield 'nothing is there' => [['L1' => 0.0, 'L2' => 0.0, 'L3' => 0.0], null];
        yield 'nothing is read' => [[], null];
    }

    #[Test]
    public function no_other_step_is_derived(): void
    {
        self::assertNull(Derived::of('on_load_checks/generator-hz', ['on_load_checks/generator-volts-L1' => 230.0]));
    }

    /** @param array<string, float> $mohm by side and pole */
    #[Test, DataProvider('contacts')]
    public function the_spread_of_the_contacts_is_that_of_the_worse_side(array $mohm, ?float $ratio, string $words): void
    {
        $values = [];
        foreach ($mohm as $pole => $value) {
            $values["dead_checks/contact-resistance-$pole"] = $value;
        }
        $line = Derived::of('dead_checks/contact-spread', $values);
        if ($ratio === null) {
            self::assertNull($line);

            return;
        }
        self::assertEqualsWithDelta($ratio, $line?->value, 1e-9);
        self::assertSame([$words, 'times'], [$line->expression, $line->unit]);
    }

    /** @return iterable<string, array{array<string, float>, ?float, string}> */
    public static function contacts(): iterable
    {
        yield 'one side' => [['normal-L1' => 0.2, 'normal-L2' => 0.25], 1.25, '0.25 mΩ ÷ 0.2 mΩ, side normal'];
        yield 'the worse of both' => [
            ['normal-L1' => 0.2, 'normal-L2' => 0.25, 'emergency-L1' => 0.2, 'emergency-L2' => 0.3], 1.5, '0.3 mΩ ÷ 0.2 mΩ, side emergency',
        ];
        yield 'the worse one first' => [
            ['normal-L1' => 0.2, 'normal-L2' => 0.4, 'emergency-L1' => 0.2, 'emergency-L2' => 0.3], 2.0, '0.4 mΩ ÷ 0.2 mΩ, side normal',
        ];
        yield 'one pole alone' => [['emergency-L1' => 0.7], 1.0, '0.7 mΩ ÷ 0.7 mΩ, side emergency'];
        yield 'small ones' => [['normal-L1' => 0.0004, 'normal-L2' => 0.0008], 2.0, '0.0008 mΩ ÷ 0.0004 mΩ, side normal'];
        yield 'a reading of nothing has no ratio' => [['normal-L1' => 0.0, 'normal-L2' => 0.2], null, ''];
        yield 'nothing is read' => [[], null, ''];
    }

    #[Test, DataProvider('drops')]
    public function a_drop_is_brought_to_the_rated_current_where_there_was_enough(?float $mv, ?float $a, ?float $switchA, ?float $at): void
    {
        $values = array_filter(
            ['on_load_checks/contact-point-mv-L2' => $mv, 'on_load_checks/contact-point-a-L2' => $a],
            static fn(?float $value): bool => $value !== null,
        ) + ['on_load_checks/contact-point-mv-L1' => 99.0, 'on_load_checks/contact-point-a-L1' => 99.0];
        $line = Derived::of('on_load_checks/contact-drop-at-points-L2', $values, $switchA);
        $at === null ? self::assertNull($line) : self::assertEqualsWithDelta($at, $line?->value, 1e-9);
        if ($line !== null) {
            self::assertSame(['12 mV × 200 A ÷ 50 A', 'mV'], [$line->expression, $line->unit]);
        }
    }

    /** @return iterable<string, array{?float, ?float, ?float, ?float}> mV, A, rating of the switch, mV at it */
    public static function drops(): iterable
    {
        yield 'a quarter of the rating' => [12.0, 50.0, 200.0, 48.0];
        yield 'less' => [12.0, 49.9, 200.0, null];
        yield 'no drop' => [null, 50.0, 200.0, null];
        yield 'no current' => [12.0, null, 200.0, null];
        yield 'no rating' => [12.0, 50.0, null, null];
    }
}
