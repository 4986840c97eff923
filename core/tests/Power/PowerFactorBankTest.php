<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Power;

use Escapement\Core\Tests\Answers;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Capacitor stages on utility and generator, each limit on its edge. Rule: docs/rules.md#power-factor-bank. */
final class PowerFactorBankTest extends TestCase
{
    use Answers;

    private const LOAD = ['kw' => 100, 'pf' => 0.8, 'v_ll_v' => 480]; // 75 kvar; 42.13 of them are too much for 0.95

    /** @return iterable<string, array{string, list<float>, list<int>}> school, kvar of the steps, chosen */
    public static function choices(): iterable
    {
        yield 'the most that does not overshoot' => ['no_overshoot', [10, 20, 30], [0, 2]];
        yield 'the least that reaches' => ['reach', [10, 20, 30], [1, 2]];
        yield 'of equal sums the fewer steps' => ['no_overshoot', [10, 10, 20, 20], [2, 3]];
        yield 'of equally many the first' => ['no_overshoot', [40, 40], [0]];
        yield 'none is small enough' => ['no_overshoot', [50, 60], []];
        yield 'none reaches without passing' => ['reach', [10, 20], [0, 1]];
        yield 'reaching must not pass the load' => ['reach', [80], []];
        yield 'no steps' => ['reach', [], []];
    }

    /**
     * @param list<float> $kvar
     * @param list<int>   $chosen
     */
    #[Test, DataProvider('choices')]
    public function stages_are_chosen_by_the_school(string $school, array $kvar, array $chosen): void
    {
        $input = self::LOAD + ['school' => $school, 'steps' => array_map(static fn(float $one): array => ['kvar' => $one], $kvar)];
        self::assertSame($chosen, self::answer('power_factor_bank', $input)['chosen']);
        $total = array_sum(array_intersect_key($kvar, array_flip($chosen)));
        self::assertEqualsWithDelta($total, self::figure('power_factor_bank', $input, '/total_kvar'), 1e-9);
        self::assertEqualsWithDelta(75 - $total, self::figure('power_factor_bank', $input, '/net_kvar'), 1e-9);
        self::assertEqualsWithDelta(100 / hypot(100, 75 - $total), self::figure('power_factor_bank', $input, '/pf_after'), 1e-9);
    }

    #[Test]
    public function a_can_gives_by_the_square_of_its_voltage(): void
    {
        $input = ['v_ll_v' => 400, 'steps' => [['kvar' => 36, 'rated_v' => 480]]] + self::LOAD;
        self::assertEqualsWithDelta(25.0, self::figure('power_factor_bank', $input, '/total_kvar'), 1e-9);
        $amperes = 25_000 / (sqrt(3) * 400);
        self::assertEqualsWithDelta($amperes, self::figure('power_factor_bank', $input, '/stages/0/a'), 1e-9);
        self::assertEqualsWithDelta(1.35 * $amperes, self::figure('power_factor_bank', $input, '/stages/0/conductor_a'), 1e-9);
        self::assertEqualsWithDelta(60, self::figure('power_factor_bank', $input, '/stages/0/breaker_a'), 1e-9);
        $iec = ['rules' => 'iec'] + $input;
        self::assertEqualsWithDelta(1.43 * $amperes, self::figure('power_factor_bank', $iec, '/stages/0/conductor_a'), 1e-9);
        $q = 75.0;
        self::assertEqualsWithDelta(
            1000 * hypot(100, $q) / (sqrt(3) * 400),
            self::figure('power_factor_bank', $input, '/line_a_before'),
            1e-9,
        );
        self::assertEqualsWithDelta(
            1000 * hypot(100, $q - 25) / (sqrt(3) * 400),
            self::figure('power_factor_bank', $input, '/line_a_after'),
            1e-9,
        );
    }

    /** @return iterable<string, array{string, float, float}> rules, volts, seconds */
    public static function discharges(): iterable
    {
        yield 'nec' => ['nec', 1000, 60];
        yield 'nec, high voltage' => ['nec', 1001, 300];
        yield 'iec' => ['iec', 1000, 180];
        yield 'iec, high voltage' => ['iec', 1001, 600];
    }

    #[Test, DataProvider('discharges')]
    public function a_can_stays_charged(string $rules, float $volts, float $seconds): void
    {
        $input = ['v_ll_v' => $volts, 'rules' => $rules, 'steps' => [['kvar' => 10]]] + self::LOAD;
        self::assertEqualsWithDelta($seconds, self::figure('power_factor_bank', $input, '/discharge_s'), 1e-9);
        self::assertNotContains('reconnect-short', self::found('power_factor_bank', ['reconnect_s' => $seconds] + $input));
        self::assertContains('reconnect-short', self::found('power_factor_bank', ['reconnect_s' => $seconds - 0.1] + $input));
        self::assertContains('reconnect-unknown', self::found('power_factor_bank', $input));
        self::assertContains('stored-energy', self::found('power_factor_bank', $input));
        self::assertNotContains('reconnect-unknown', self::found('power_factor_bank', ['steps' => []] + $input));
    }

    /** @return iterable<string, array{array<string, mixed>, string, bool}> */
    public static function limits(): iterable
    {
        $rated = static fn(float $volts): array => ['steps' => [['kvar' => 10, 'rated_v' => $volts]]];
        yield 'a can at its voltage' => [$rated(480), 'stage-overvoltage', false];
        yield 'above it' => [$rated(479.9), 'stage-overvoltage', true];
        $order = static fn(float $h): array => ['steps' => [['kvar' => 10]], 'system_kva' => 10 * $h ** 2];
        foreach ([3, 5, 7, 11, 13] as $n) {
            yield "resonance on $n" => [$order($n), 'resonance', true];
            yield "a tenth below $n" => [$order(0.9001 * $n), 'resonance', true];
        }
        yield 'below all' => [$order(2.69), 'resonance', false];
        yield 'between 3 and 5' => [$order(4), 'resonance', false];
        yield 'a tenth above 3' => [$order(3.2999), 'resonance', true];
        yield 'more above 3' => [$order(3.301), 'resonance', false];
        yield 'above all' => [$order(14.31), 'resonance', false];
        yield 'detuned' => [$order(5) + ['detuned' => true], 'resonance', false];
        $share = static fn(float $pct): array => ['steps' => [['kvar' => 10]], 'nonlinear_pct' => $pct];
        yield 'a fifth of it nonlinear' => [$share(20), 'harmonics', false];
        yield 'more of it' => [$share(20.1), 'harmonics', true];
        $needed = 75 - 100 * tan(acos(0.95));
        $reaches = static fn(float $pf): array => ['steps' => [['kvar' => 75 - 100 * tan(acos($pf))]]];
        yield 'half a point below the target' => [$reaches(0.945), 'target-not-reached', false];
        yield 'further below' => [$reaches(0.944), 'target-not-reached', true];
        yield 'as much as is needed always on' => [['fixed' => ['kvar' => $needed]], 'fixed-overshoots', false];
        yield 'more always on' => [['fixed' => ['kvar' => $needed + 0.1]], 'fixed-overshoots', true];
        yield 'as much as the load takes' => [['fixed' => ['kvar' => 75]], 'leading-at-load', false];
        yield 'more than that' => [['fixed' => ['kvar' => 75.1]], 'leading-at-load', true];
    }

    /** @param array<string, mixed> $bank */
    #[Test, DataProvider('limits')]
    public function a_limit_is_held_on_its_edge(array $bank, string $id, bool $isFound): void
    {
        self::assertSame($isFound, in_array($id, self::found('power_factor_bank', $bank + self::LOAD), true));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, float, list<string>}> bank, set, kvar on it, findings */
    public static function sets(): iterable
    {
        $steps = ['steps' => [['kvar' => 30]]];
        $set = ['rated_kva' => 100, 'kw' => 30, 'pf' => 0.8]; // its load takes 22.5 kvar
        yield 'locked out' => [$steps, $set, 0, ['lock-out']];
        $byLimit = ['policy' => 'by_limit'] + $set;
        yield 'within the limit it leads a little' => [$steps, $byLimit, 30, ['leading-on-generator']];
        yield 'on the limit' => [['steps' => [['kvar' => 32.5]]], $byLimit, 32.5, ['leading-on-generator']];
        yield 'beyond the limit it is locked out' => [['steps' => [['kvar' => 32.6]]], $byLimit, 0, ['lock-out']];
        yield 'as much as its load takes' => [['steps' => [['kvar' => 22.5]]], $byLimit, 22.5, []];
        $fixed = static fn(float $kvar, bool $isSwitched): array => ['fixed' => ['kvar' => $kvar, 'switchable' => $isSwitched]];
        yield 'a fixed one that can be taken off' => [$fixed(40, true), $set, 0, ['lock-out']];
        yield 'one that cannot' => [$fixed(40, false), $set, 40, ['bank-on-generator', 'fixed-not-switched', 'lock-out']];
        yield 'a small one that cannot' => [$fixed(20, false), $set, 20, ['fixed-not-switched', 'lock-out']];
        yield 'a limit of its own' => [$steps, ['leading_limit_pct' => 7.4] + $byLimit, 0, ['lock-out']];
    }

    /**
     * @param array<string, mixed> $bank
     * @param array<string, mixed> $set
     * @param list<string>         $ids
     */
    #[Test, DataProvider('sets')]
    public function a_generator_sees_no_more_than_it_stands(array $bank, array $set, float $kvar, array $ids): void
    {
        $input = $bank + self::LOAD + ['generator' => $set, 'detuned' => true];
        self::assertEqualsWithDelta($kvar, self::figure('power_factor_bank', $input, '/generator/on_kvar'), 1e-9);
        $leading = max(0.0, $kvar - 22.5);
        self::assertEqualsWithDelta($leading, self::figure('power_factor_bank', $input, '/generator/leading_kvar'), 1e-9);
        self::assertEqualsWithDelta($leading, self::figure('power_factor_bank', $input, '/generator/leading_pct'), 1e-9);
        $about = ['bank-on-generator', 'leading-on-generator', 'fixed-not-switched', 'lock-out'];
        self::assertEqualsCanonicalizing($ids, array_values(array_intersect($about, self::found('power_factor_bank', $input))));
    }
}
