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
}
