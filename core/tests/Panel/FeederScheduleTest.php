<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Panel;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The ways of a board on two sources, tables and limits on their edges. Rule: docs/rules.md#feeder-schedule3. To be confirmed. */
final class FeederScheduleTest extends TestCase
{
    use Answers;

    private const WAY = ['id' => 'w', 'poles' => 3, 'load_a' => 10, 'breaking_ka' => 200, 'length_m' => 10, 'i2t_a2s' => 1];
    private const BOARD = [
        'style' => 'iec', 'v_ll_v' => 400, 'utility' => ['transformer_kva' => 1000, 'z_pct' => 5, 'fault_ka' => 10],
        'changeover' => ['rating_a' => 1000, 'withstand_ka' => 100, 'utility_breaker_a' => 630, 'closing_peak_ka' => 500],
        'busbar' => ['rating_a' => 1000, 'icw_ka' => 100],
    ];
    private const GENERATOR = ['generator' => ['kva' => 100]];

    /** @return iterable<string, array{string, list<float>}> factor for 1, 2, 3, 4, 5, 6, 9 and 10 ways */
    public static function diversities(): iterable
    {
        yield 'none' => ['none', [1, 1, 1, 1, 1, 1, 1, 1]];
        yield 'board' => ['board', [1, .8, .8, .7, .7, .6, .6, .5]];
        yield 'switchgear' => ['switchgear', [1, .9, .9, .8, .8, .7, .7, .6]];
    }

    /** @param list<float> $factors */
    #[Test, DataProvider('diversities')]
    public function many_ways_ask_for_less_than_their_sum(string $method, array $factors): void
    {
        foreach (array_combine([1, 2, 3, 4, 5, 6, 9, 10], $factors) as $count => $factor) {
            $ways = array_map(static fn(int $i): array => ['id' => "w$i"] + self::WAY, range(1, $count));
            $input = ['ways' => $ways, 'diversity' => ['method' => $method]] + self::BOARD;
            self::assertEqualsWithDelta($factor, self::figure('feeder_schedule3', $input, '/factor'), 1e-9, "$count ways");
            self::assertEqualsWithDelta($factor * 10 * $count, self::figure('feeder_schedule3', $input, '/demand_a'), 1e-9);
        }
    }

    #[Test]
    public function a_fault_peaks_the_higher_the_stronger_it_is(): void
    {
        $peaks = ['5' => 1.5, '5.1' => 1.7, '10' => 1.7, '10.1' => 2.0, '20' => 2.0, '20.1' => 2.1, '50' => 2.1, '50.1' => 2.2];
        foreach ($peaks as $ka => $peak) {
            $input = ['utility' => ['transformer_kva' => 1000, 'z_pct' => 5, 'fault_ka' => (float) $ka]] + self::board([]);
            self::assertEqualsWithDelta($peak, self::figure('feeder_schedule3', $input, '/fault/peak_factor'), 1e-9, "$ka kA");
            self::assertEqualsWithDelta($peak * (float) $ka, self::figure('feeder_schedule3', $input, '/fault/peak_ka'), 1e-9);
        }
    }

    #[Test]
    public function a_source_gives_what_its_impedance_lets_through(): void
    {
        $input = ['utility' => ['transformer_kva' => 250, 'z_pct' => 4]] + self::board([], self::GENERATOR);
        $vLn = 400 / sqrt(3);
        $utilityKa = $vLn / (0.04 * 400 ** 2 / 250_000) / 1000;
        self::assertEqualsWithDelta($utilityKa, self::figure('feeder_schedule3', $input, '/fault/utility_ka'), 1e-9);
        $generatorKa = $vLn / (0.12 * 400 ** 2 / 100_000) / 1000;
        self::assertEqualsWithDelta($generatorKa, self::figure('feeder_schedule3', $input, '/fault/generator_ka'), 1e-9);
        self::assertEqualsWithDelta(100_000 / (sqrt(3) * 400), self::figure('feeder_schedule3', $input, '/generator_rated_a'), 1e-9);
    }

    /** @return iterable<string, array{string, string, string}> size in mm², metal, its protective conductor */
    public static function protectives(): iterable
    {
        $sizes = ['10' => '10', '16' => '16', '25' => '16', '35' => '16', '50' => '25', '70' => '35', '95' => '50', '120' => '70'];
        foreach ($sizes as $size => $pe) {
            yield "$size mm²" => [(string) $size, 'cu', $pe];
        }
        yield '240 mm² aluminum' => ['240', 'al', '120'];
    }

    #[Test, DataProvider('protectives')]
    public function a_protective_conductor_goes_by_its_phase(string $size, string $metal, string $pe): void
    {
        $way = ['size' => $size, 'material' => $metal] + self::WAY;
        self::assertSame($pe, self::figure('feeder_schedule3', self::board($way), '/ways/0/pe_size'));
    }

    /** @return iterable<string, array{string, float}> */
    public static function curves(): iterable
    {
        yield 'B' => ['B', 5];
        yield 'C' => ['C', 10];
        yield 'D' => ['D', 20];
    }

    #[Test, DataProvider('curves')]
    public function a_breaker_trips_at_once_by_its_curve(string $curve, float $times): void
    {
        $way = ['curve' => $curve, 'breaker_a' => 20] + self::WAY;
        self::assertEqualsWithDelta(20 * $times, self::figure('feeder_schedule3', self::board($way), '/ways/0/magnetic_a'), 1e-9);
    }

    /** @return iterable<string, array{string, int, float, float}> curve, breaker, kA, A²s that it lets through at most */
    public static function energies(): iterable
    {
        yield 'B16 at 6 kA' => ['B', 16, 6, 35_000];
        yield 'B20 at 6 kA' => ['B', 20, 6, 45_000];
        yield 'C16 at 6 kA' => ['C', 16, 6, 42_000];
        yield 'C32 at 6 kA' => ['C', 32, 6, 55_000];
        yield 'B16 at 10 kA' => ['B', 16, 10, 70_000];
        yield 'B32 at 10 kA' => ['B', 32, 10, 90_000];
        yield 'C16 at 6.1 kA' => ['C', 16, 6.1, 84_000];
        yield 'C20 at 10 kA' => ['C', 20, 10, 110_000];
        yield 'C40 has no class' => ['C', 40, 6, 6000 ** 2 * 0.02];
        yield 'D16 has none' => ['D', 16, 6, 6000 ** 2 * 0.02];
        yield 'none above 10 kA' => ['C', 16, 10.1, 10_100 ** 2 * 0.02];
        yield 'a fault too small for it' => ['B', 16, 0.2, 40_000 * 0.02];
    }

    #[Test, DataProvider('energies')]
    public function a_small_breaker_lets_less_through(string $curve, int $breaker, float $ka, float $i2t): void
    {
        $way = array_diff_key(['curve' => $curve, 'breaker_a' => $breaker, 'size' => '10'] + self::WAY, ['i2t_a2s' => true]);
        $input = ['utility' => ['transformer_kva' => 1000, 'z_pct' => 5, 'fault_ka' => $ka]] + self::board($way);
        self::assertEqualsWithDelta($i2t, self::figure('feeder_schedule3', $input, '/ways/0/i2t_a2s'), 1e-3);
    }

    /** @return iterable<string, array{array<string, mixed>, float}> way, constant of the adiabatic rule */
    public static function adiabatics(): iterable
    {
        yield 'copper PVC' => [['insulation_c' => 70, 'size' => '16'], 115];
        yield 'copper XLPE' => [['insulation_c' => 90, 'size' => '16'], 143];
        yield 'aluminum PVC' => [['insulation_c' => 70, 'size' => '16', 'material' => 'al'], 76];
        yield 'aluminum XLPE' => [['insulation_c' => 90, 'size' => '16', 'material' => 'al'], 94];
    }

    /** @param array<string, mixed> $way */
    #[Test, DataProvider('adiabatics')]
    public function a_conductor_survives_by_its_metal_and_insulation(array $way, float $k): void
    {
        $edge = ($k * 16) ** 2;
        $at = fn(float $i2t): array => self::board(['i2t_a2s' => $i2t] + $way + self::WAY);
        self::assertEqualsWithDelta($edge, self::figure('feeder_schedule3', $at(1), '/ways/0/k2s2_a2s'), 1e-3);
        self::assertTrue(self::figure('feeder_schedule3', $at($edge), '/ways/0/adiabatic_ok'));
        self::assertFalse(self::figure('feeder_schedule3', $at($edge + 1), '/ways/0/adiabatic_ok'));
        self::assertContains('adiabatic-fails', self::found('feeder_schedule3', $at($edge + 1)));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>, string, bool}> way, board, set */
    public static function limits(): iterable
    {
        $board = static fn(string $part, array $more): array => [$part => $more + self::BOARD[$part]];
        yield 'breaking just enough' => [['breaking_ka' => 10], [], [], 'breaking-capacity', false];
        yield 'breaking too little' => [['breaking_ka' => 9.9], [], [], 'breaking-capacity', true];
        $of20 = ['breaker_a' => 20, 'size' => '10'];
        yield 'selective' => [$of20, $board('changeover', ['utility_breaker_a' => 32]), [], 'selectivity-doubtful', false];
        yield 'not selective' => [$of20, $board('changeover', ['utility_breaker_a' => 31.9]), [], 'selectivity-doubtful', true];
        yield 'bus bar carries the load' => [[], $board('busbar', ['rating_a' => 10]), [], 'busbar-under-load', false];
        yield 'bus bar does not' => [[], $board('busbar', ['rating_a' => 9.9]), [], 'busbar-under-load', true];
        yield 'bus bar fits its breaker' => [[], $board('busbar', ['rating_a' => 630]), [], 'busbar-under-breaker', false];
        yield 'bus bar does not fit it' => [[], $board('busbar', ['rating_a' => 629]), [], 'busbar-under-breaker', true];
        yield 'bus bar stands the fault' => [[], $board('busbar', ['icw_ka' => 10]), [], 'busbar-withstand', false];
        yield 'bus bar does not stand it' => [[], $board('busbar', ['icw_ka' => 9.9]), [], 'busbar-withstand', true];
        yield 'bus bar stands the peak' => [[], $board('busbar', ['peak_ka' => 17]), [], 'busbar-peak', false];
        yield 'bus bar does not stand the peak' => [[], $board('busbar', ['peak_ka' => 16.9]), [], 'busbar-peak', true];
        yield 'changeover carries the load' => [[], $board('changeover', ['rating_a' => 10]), [], 'changeover-under-load', false];
        yield 'changeover does not' => [[], $board('changeover', ['rating_a' => 9.9]), [], 'changeover-under-load', true];
        yield 'changeover fits its breaker' => [[], $board('changeover', ['rating_a' => 630]), [], 'changeover-under-breaker', false];
        yield 'changeover does not fit it' => [[], $board('changeover', ['rating_a' => 629]), [], 'changeover-under-breaker', true];
        yield 'changeover stands the fault' => [[], $board('changeover', ['withstand_ka' => 10]), [], 'changeover-withstand', false];
        yield 'changeover does not stand it' => [[], $board('changeover', ['withstand_ka' => 9.9]), [], 'changeover-withstand', true];
        $long = ['withstand_ka' => 20, 'withstand_s' => 0.06];
        yield 'for longer, as little' => [[], $board('changeover', ['utility_clear_s' => 0.24] + $long), [], 'changeover-withstand', false];
        yield 'for longer still' => [[], $board('changeover', ['utility_clear_s' => 0.25] + $long), [], 'changeover-withstand', true];
        yield 'closing on the peak' => [[], $board('changeover', ['closing_peak_ka' => 17]), [], 'changeover-closing', false];
        yield 'closing on more' => [[], $board('changeover', ['closing_peak_ka' => 16.9]), [], 'changeover-closing', true];
        $set = self::GENERATOR;
        $with = $board('changeover', ['generator_breaker_a' => 160]);
        yield 'a set that carries it' => [['load_a' => 144.33], $with, $set, 'generator-overload', false];
        yield 'a set that does not' => [['load_a' => 144.4], $with, $set, 'generator-overload', true];
        $alone = ['generator' => ['kva' => 100, 'sustained_multiple' => null]];
        yield 'a set that collapses' => [[], $with, $alone, 'generator-collapses', true];
        yield 'a set that sustains' => [[], $with, $set, 'generator-collapses', false];
        $far = ['breaker_a' => 100, 'length_m' => 300];
        yield 'a way that the set does not trip' => [$far, $with, $alone, 'no-disconnection-generator', true];
        $rcd = ['rcd_ma' => 300] + $far;
        yield 'a device for residual current does' => [$rcd, $with, $set, 'no-disconnection-generator', false];
        yield 'a drop within the limit' => [['length_m' => 20], [], [], 'drop-over-limit', false];
        yield 'a drop beyond it' => [['length_m' => 100, 'size' => '1.5'], [], [], 'drop-over-limit', true];
        yield 'a severe drop' => [['length_m' => 600, 'size' => '1.5'], [], [], 'drop-severe', true];
    }

    /**
     * @param array<string, mixed> $way
     * @param array<string, mixed> $board
     * @param array<string, mixed> $set
     */
    #[Test, DataProvider('limits')]
    public function a_limit_is_held_on_its_edge(array $way, array $board, array $set, string $id, bool $isFound): void
    {
        $found = self::found('feeder_schedule3', $board + self::board($way + self::WAY, $set));
        self::assertSame($isFound, in_array($id, $found, true), implode(', ', $found));
    }

    /**
     * @param array<string, mixed> $way
     * @param array<string, mixed> $set
     *
     * @return array<string, mixed>
     */
    private static function board(array $way, array $set = []): array
    {
        $changeover = self::BOARD['changeover'] + ($set === [] ? [] : ['generator_breaker_a' => 160]);

        return ['ways' => [$way === [] ? self::WAY : $way], 'changeover' => $changeover] + $set + self::BOARD;
    }
}
