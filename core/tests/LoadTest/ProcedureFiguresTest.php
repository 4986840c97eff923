<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\Node;
use Escapement\Core\LoadTest\ProcedureFigures;
use Escapement\Core\Wire\LoadTest\LoadTestReader;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a load test has read is not asked again in the procedure of the same day. */
final class ProcedureFiguresTest extends TestCase
{
    private const STEP = [
        't_s' => 60, 'from_kw' => 0, 'to_kw' => 5, 'v_extreme_v' => 104, 'v_recovery_s' => 2, 'hz_before_hz' => 60, 'hz_extreme_hz' => 57.5,
        'hz_recovery_s' => 3,
    ];

    #[Test]
    public function volts_and_hertz_are_those_of_the_heaviest_reading_and_amperes_only_without_a_bank(): void
    {
        self::assertSame([
            'on_load_checks/generator-hz' => 59.9, 'on_load_checks/generator-volts-L1' => 119.0,
            'on_load_checks/generator-volts-L2' => 118.5, 'on_load_checks/amps-L1' => 62.0, 'on_load_checks/amps-L2' => 61.0,
        ], $this->values([], false));
        self::assertArrayNotHasKey('on_load_checks/amps-L1', $this->values([], true));
    }

    #[Test]
    public function a_dip_belongs_to_the_quarter_its_step_comes_nearest_to(): void
    {
        $bank = 'on_load_checks/load-bank';
        $values = $this->values([self::STEP, ['t_s' => 90, 'from_kw' => 5, 'to_kw' => 5.6, 'v_extreme_v' => 117] + self::STEP]);
        self::assertSame([104.0, 57.5, 3.0], [$values["$bank-25"], $values["$bank-hz-25"], $values["$bank-recovery-25"]]);
        self::assertArrayNotHasKey("$bank-50", $values);
        foreach (['a step down' => ['from_kw' => 12], 'too far away' => ['to_kw' => 6.1]] as $why => $other) {
            self::assertArrayNotHasKey("$bank-25", $this->values([$other + self::STEP]), $why);
        }
        self::assertArrayHasKey("$bank-25", $this->values([['to_kw' => 6] + self::STEP]), 'a twentieth away');
    }

    #[Test]
    public function a_recovery_that_was_not_seen_is_left_out_and_one_by_class_is_that_of_the_class_asked(): void
    {
        $key = 'on_load_checks/load-bank-recovery-25';
        self::assertArrayNotHasKey($key, $this->values([array_diff_key(self::STEP, ['hz_recovery_s' => 1])]));
        $step = array_diff_key(self::STEP, ['v_recovery_s' => 1, 'hz_recovery_s' => 1]) + [
            'v_recoveries_s' => ['G1' => 1, 'G2' => 4, 'G3' => null], 'hz_recoveries_s' => ['G1' => 1, 'G2' => 2, 'G3' => 9],
        ];
        self::assertSame(4.0, $this->values([$step], true, ['class' => 'G2'])[$key]);
        self::assertArrayNotHasKey($key, $this->values([$step], true, ['class' => 'G3']), 'it never came back that near');
    }

    /**
     * @param list<array<string, mixed>> $steps
     * @param array<string, mixed>       $more
     *
     * @return array<string, null|float|int|string>
     */
    private function values(array $steps, bool $hasBank = true, array $more = []): array
    {
        $readings = [
            ['t_s' => 0, 'v_v' => [120, 120], 'a_a' => [0, 0], 'hz' => 60.1, 'kw' => 0],
            ['t_s' => 600, 'v_v' => [119, 118.5], 'a_a' => [62, 61], 'hz' => 59.9, 'kw' => 14],
            ['t_s' => 900, 'v_v' => [119.5, 119.5], 'a_a' => [40, 40], 'hz' => 60, 'kw' => 9],
        ];
        $input = [
            'profile' => 'custom', 'steps' => [['level_pct' => 50, 'minutes' => 10]], 'fuel' => 'diesel', 'nameplate_kw' => 20,
            'readings' => $readings, 'steps_seen' => $steps,
        ];
        $figures = ProcedureFigures::of((new LoadTestReader())->input(Node::fromArray($more + $input)), $hasBank);

        return array_map(static fn(WorkingLine $line): int|float|string|null => $line->value, $figures);
    }
}
