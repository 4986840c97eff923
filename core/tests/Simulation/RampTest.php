<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Simulation\Sensing\Ramp;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class RampTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function no_comparison_changes_between_two_crossings(): void
    {
        $this->limitTo(300)->forAll(
            Generators::choose(0, 300),
            Generators::choose(0, 300),
            Generators::choose(0, 300),
            Generators::choose(1, 400),
        )->then(function (int $from, int $to, int $threshold, int $lengthMs): void {
            $ramp = new Ramp([$from]);
            $ramp->ramp(1000, [$to], $lengthMs);
            $isBelow = static fn(int $t): bool => $ramp->at($t)[0] < $threshold * $lengthMs;
            $isAbove = static fn(int $t): bool => $ramp->at($t)[0] > $threshold * $lengthMs;
            foreach ([
                [$isBelow, $ramp->crossings(1000, [$threshold], [])],
                [$isAbove, $ramp->crossings(1000, [], [$threshold])],
            ] as [$side, $wakes]) {
                for ($t = 1001; $t < 1000 + $lengthMs; $t++) {
                    if ($side($t) !== $side($t - 1)) {
                        self::assertContains($t, $wakes);
                    }
                }
                self::assertSame(1000 + $lengthMs, $wakes[count($wakes) - 1]);
                self::assertLessThanOrEqual(2, count($wakes));
            }
        });
    }

    #[Test]
    public function no_judgement_of_unbalance_changes_between_two_crossings(): void
    {
        $phase = Generators::choose(0, 200);
        $this->limitTo(200)->forAll($phase, $phase, $phase, $phase, $phase, $phase)->then(function (int ...$v): void {
            $ramp = new Ramp([$v[0], $v[1], $v[2]]);
            $ramp->ramp(0, [$v[3], $v[4], $v[5]], 250);
            $wakes = $ramp->spreadCrossings(0, [[5, 100]]);
            $judge = static function (int $t) use ($ramp): array {
                $values = $ramp->at($t);
                $sum = array_sum($values);
                $verdicts = [];
                foreach ($values as $value) {
                    $verdicts[] = abs(3 * $value - $sum) * 100 <=> 5 * $sum;
                }

                return $verdicts;
            };
            for ($t = 2; $t < 250; $t++) {
                if ($judge($t) !== $judge($t - 1)) {
                    self::assertContains($t, $wakes);
                }
            }
            self::assertContains(250, $wakes);
        });
    }

    #[Test]
    public function a_ramp_that_is_replaced_goes_on_from_where_it_is(): void
    {
        $ramp = new Ramp([100]);
        $ramp->ramp(0, [0], 1000);
        $ramp->ramp(500, [100], 1000);
        self::assertEqualsWithDelta(75, $ramp->at(1000)[0] / $ramp->length(), 1e-9);
        $ramp->settle(1500);
        self::assertSame([100], $ramp->at(1500));
    }
}
