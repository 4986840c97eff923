<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A meter whose transformers are wired in every way that they can be. Rule: docs/rules.md#three-phase-meter. */
final class MeterTest extends TestCase
{
    use Answers;

    private const ORDERS = [[1, 2, 3], [1, 3, 2], [2, 1, 3], [2, 3, 1], [3, 1, 2], [3, 2, 1]];
    private const LOADS = [[50, 25], [40, 20], [60, 30]]; // amperes and degrees behind the voltage, by phase

    /** @return iterable<string, array{list<int>, list<bool>}> phase on each channel, turned round or not */
    public static function wirings(): iterable
    {
        foreach (self::ORDERS as $phases) {
            foreach (range(0, 7) as $bits) {
                $turned = [($bits & 1) > 0, ($bits & 2) > 0, ($bits & 4) > 0];
                $signs = implode('', array_map(static fn(bool $is): string => $is ? '-' : '+', $turned));
                yield implode('', $phases) . " $signs" => [$phases, $turned];
            }
        }
    }

    /**
     * What is diagnosed explains what is read, and asks for no more corrections than were made.
     *
     * @param list<int>  $phases
     * @param list<bool> $turned
     */
    #[Test, DataProvider('wirings')]
    public function angles_tell_how_the_transformers_are_wired(array $phases, array $turned): void
    {
        $vDeg = [0, -120, 120];
        $iDeg = $amps = [];
        foreach ($phases as $channel => $phase) {
            [$amps[], $lag] = self::LOADS[$phase - 1];
            $deg = $vDeg[$phase - 1] - $lag + ($turned[$channel] ? 180 : 0);
            $iDeg[] = fmod($deg + 540, 360) - 180;
        }
        $meter = self::answer('three_phase_meter', ['v_v' => [120, 120, 120], 'i_a' => $amps, 'v_deg' => $vDeg, 'i_deg' => $iDeg]);
        $this->assertExplained($meter, $phases, $turned);
    }

    /**
     * @param list<int>  $phases
     * @param list<bool> $turned
     */
    #[Test, DataProvider('wirings')]
    public function power_tells_it_too(array $phases, array $turned): void
    {
        $psi = [0, -120, 120];
        $kw = [];
        foreach ($phases as $channel => $phase) {
            $angle = deg2rad(25 + $psi[$channel] - $psi[$phase - 1]);
            $kw[] = 6 * ($turned[$channel] ? -1 : 1) * cos($angle);
        }
        $meter = self::answer('three_phase_meter', ['v_v' => [120, 120, 120], 'i_a' => [50, 50, 50], 'kw_meter' => $kw]);
        $this->assertExplained($meter, $phases, $turned);
    }

    /**
     * @param array<string, mixed> $meter
     * @param list<int>            $phases
     * @param list<bool>           $turned
     */
    private function assertExplained(array $meter, array $phases, array $turned): void
    {
        $diagnosis = (array) $meter['ct_diagnosis'];
        $made = count(array_filter([$phases[0] !== 1, $phases[1] !== 2, $phases[2] !== 3, ...$turned]));
        self::assertContains($diagnosis['status'], $made === 0 ? ['ok'] : ['ok', 'fault'], 'fewer corrections may explain it as well');
        $isElsewhere = static fn(array $one): bool => $one['channel'] !== $one['on_phase'];
        $cost = static fn(array $channels): int => count(array_filter($channels, $isElsewhere))
            + count(array_filter(array_column($channels, 'reversed')));
        self::assertLessThanOrEqual($made, $cost($diagnosis['channels']));
        $wired = array_map(
            static fn(int $channel): array => ['channel' => $channel + 1, 'on_phase' => $phases[$channel], 'reversed' => $turned[$channel]],
            [0, 1, 2],
        );
        if ($cost($diagnosis['channels']) === $made) {
            self::assertContainsEquals($wired, [$diagnosis['channels'], ...$diagnosis['alternatives']]);
        }
        foreach ($diagnosis['alternatives'] as $channels) {
            self::assertSame($cost($diagnosis['channels']), $cost($channels));
        }
    }

    /** @return iterable<string, array{list<float>, string}> angles of the voltages, order */
    public static function rotations(): iterable
    {
        yield 'abc' => [[0, -120, 120], 'abc'];
        yield 'abc, twenty degrees off' => [[0, -140, 80], 'abc'];
        yield 'more than that' => [[0, -141, 98], 'undetermined'];
        yield 'acb' => [[0, 120, -120], 'acb'];
        yield 'acb, twenty degrees off' => [[0, 100, -160], 'acb'];
        yield 'all alike' => [[0, 0, 0], 'undetermined'];
        yield 'turned by a whole turn' => [[360, 240, -240], 'abc'];
    }

    /** @param list<float> $degrees */
    #[Test, DataProvider('rotations')]
    public function the_order_of_phases_is_seen_by_the_angles(array $degrees, string $rotation): void
    {
        $input = ['v_v' => [120, 120, 120], 'i_a' => [10, 10, 10], 'v_deg' => $degrees];
        self::assertSame($rotation, self::figure('three_phase_meter', $input, '/rotation'));
        $found = self::found('three_phase_meter', $input);
        self::assertSame($rotation === 'acb', in_array('rotation-wrong', $found, true));
        self::assertSame($rotation === 'undetermined', in_array('rotation-undetermined', $found, true));
        $expected = $input + ['rotation_expected' => $rotation === 'acb' ? 'acb' : 'abc'];
        self::assertNotContains('rotation-wrong', self::found('three_phase_meter', $expected));
    }

    #[Test]
    public function figures_add_up(): void
    {
        $input = ['v_v' => [120, 118, 122], 'i_a' => [50, 40, 60], 'pf' => [0.8, 1, 0.9], 'lead' => [false, false, true]];
        $meter = self::answer('three_phase_meter', $input);
        $kva = [6.0, 4.72, 7.32];
        $kw = [4.8, 4.72, 6.588];
        $kvar = [3.6, 0.0, -sqrt(7.32 ** 2 - 6.588 ** 2)];
        foreach ((array) $meter['phases'] as $i => $phase) {
            self::assertEqualsWithDelta($kva[$i], $phase['kva'], 1e-9);
            self::assertEqualsWithDelta($kw[$i], $phase['kw'], 1e-9);
            self::assertEqualsWithDelta($kvar[$i], $phase['kvar'], 1e-6);
        }
        $total = (array) $meter['total'];
        $vector = sqrt(array_sum($kw) ** 2 + array_sum($kvar) ** 2);
        $expected = [
            'kw' => array_sum($kw), 'kvar' => array_sum($kvar), 'kva_vector' => $vector, 'kva_arith' => array_sum($kva),
            'pf_vector' => array_sum($kw) / $vector, 'pf_arith' => array_sum($kw) / array_sum($kva),
        ];
        foreach ($expected as $name => $value) {
            self::assertEqualsWithDelta($value, $total[$name], 1e-6, $name);
        }
        self::assertEqualsWithDelta(20.0, $meter['i_unbalance_pct'], 1e-9);
        $line = sqrt(120 ** 2 + 118 ** 2 + 120 * 118); // at 120° where nobody said
        self::assertEqualsWithDelta($line, ((array) $meter['v_ll_v'])[0], 1e-6);
    }

    #[Test]
    public function transformers_of_another_ratio_put_every_reading_wrong_by_a_factor(): void
    {
        $input = ['v_v' => [120, 120, 120], 'i_a' => [50, 50, 50], 'ct' => ['primary_a' => 200, 'meter_primary_a' => 100]];
        self::assertEqualsWithDelta(2.0, self::figure('three_phase_meter', $input, '/ct_factor'), 1e-9);
        self::assertEqualsWithDelta(100.0, self::figure('three_phase_meter', $input, '/i_corrected_a/0'), 1e-9);
        self::assertEqualsWithDelta(50.0, self::figure('three_phase_meter', $input, '/ct_load_pct'), 1e-9);
        self::assertContains('ct-ratio-mismatch', self::found('three_phase_meter', $input));
        $secondary = ['ct' => ['primary_a' => 200, 'secondary_a' => 1, 'meter_secondary_a' => 5]] + $input;
        self::assertEqualsWithDelta(5.0, self::figure('three_phase_meter', $secondary, '/ct_factor'), 1e-9);
        self::assertNotContains('ct-ratio-mismatch', self::found('three_phase_meter', ['ct' => ['primary_a' => 200]] + $input));
    }

    /** @return iterable<string, array{array<string, mixed>, string, bool}> */
    public static function limits(): iterable
    {
        $delta = static fn(float $low): array => ['v_ll_v' => [$low, (1248 - $low) / 2, (1248 - $low) / 2]];
        yield 'volts apart by 2 %' => [$delta(416 * 0.98), 'v-unbalance', false];
        yield 'by more' => [$delta(416 * 0.979), 'v-unbalance', true];
        yield 'by 5 %' => [$delta(416 * 0.95), 'v-unbalance-high', false];
        yield 'by more than that' => [$delta(416 * 0.949), 'v-unbalance-high', true];
        yield 'amperes apart by 20 %' => [['i_a' => [40, 50, 60]], 'i-unbalance', false];
        yield 'amperes by more' => [['i_a' => [39.9, 50, 60.1]], 'i-unbalance', true];
        $ct = static fn(float $primary): array => ['i_a' => [50, 50, 50], 'ct' => ['primary_a' => $primary]];
        yield 'a transformer full' => [$ct(50), 'ct-overrange', false];
        yield 'above it' => [$ct(49.9), 'ct-overrange', true];
        yield 'a fifth of it' => [$ct(250), 'ct-oversized', false];
        yield 'less' => [$ct(251), 'ct-oversized', true];
        $neutral = static fn(float $amps): array => ['i_a' => [50, 50, 50], 'neutral_a' => $amps];
        yield 'as much in the neutral as in a leg' => [$neutral(50), 'neutral-over-leg', false];
        yield 'and more' => [$neutral(50.1), 'neutral-over-leg', true];
        yield 'a fifth more than calculated' => [$neutral(10), 'neutral-harmonics', false];
        yield 'and more in the neutral' => [$neutral(10.1), 'neutral-harmonics', true];
        $power = static fn(float $kw): array => ['i_a' => [50, 50, 50], 'kw_meter' => [$kw, 6, 6]];
        yield 'kW within the kVA' => [$power(6 * 1.03 + 0.001), 'kw-over-kva', false];
        yield 'kW above it' => [$power(6 * 1.03 + 0.01), 'kw-over-kva', true];
        yield 'power flows back' => [['i_a' => [50, 50, 50], 'kw_meter' => [-6, -6, -6]], 'kw-negative', true];
        yield 'and no power does not' => [['i_a' => [0, 0, 0], 'kw_meter' => [0, 0, 0]], 'kw-negative', false];
    }

    /** @param array<string, mixed> $readings */
    #[Test, DataProvider('limits')]
    public function a_limit_is_held_on_its_edge(array $readings, string $id, bool $isFound): void
    {
        $found = self::found('three_phase_meter', $readings + ['v_v' => [120, 120, 120], 'i_a' => [10, 10, 10]]);
        self::assertSame($isFound, in_array($id, $found, true), implode(', ', $found));
    }
}
