<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Will the lights only blink, or will contactors drop out and the engine stall? Rule: loads §4. */
final readonly class MotorStart
{
    /** Code letters: kVA per horsepower from, to. */
    private const CODES = [
        'A' => [0, 3.14], 'B' => [3.15, 3.54], 'C' => [3.55, 3.99], 'D' => [4.0, 4.49], 'E' => [4.5, 4.99], 'F' => [5.0, 5.59], 'G' => [5.6, 6.29], 'H' => [6.3, 7.09],
        'J' => [7.1, 7.99], 'K' => [8.0, 8.99], 'L' => [9.0, 9.99], 'M' => [10.0, 11.19], 'N' => [11.2, 12.49], 'P' => [12.5, 13.99], 'R' => [14.0, 15.99], 'S' => [16.0, 17.99],
        'T' => [18.0, 19.99], 'U' => [20.0, 22.39], 'V' => [22.4, 22.4],
    ];
    /** Share of the locked-rotor kVA, torque in percent of starting direct on line. To be confirmed with the starter's maker. */
    private const METHODS = [
        'dol' => [1.0, 100.0], 'soft_start' => [null, null], 'part_winding' => [0.65, 45.0], 'autotransformer_80' => [0.64, 64.0], 'autotransformer_65' => [0.4225, 42.25],
        'star_delta' => [1 / 3, 100 / 3], 'vfd' => [null, 100.0],
    ];
    /** Dip that what is connected stands, in percent. To be confirmed against what is connected. */
    private const LIMITS = ['sensitive' => 10.0, 'lighting' => 15.0, 'general' => 20.0, 'motors' => 30.0];
    private const VFD_SHARE = 1.5;

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $motorIn = $in->object('motor');
        $motor = $this->motorFields($motorIn);
        $sourceIn = $in->object('source');
        $source = $this->sourceFields($sourceIn);
        $application = $in->oneOf('application', ['sensitive', 'lighting', 'general', 'motors'], 'general');
        $limitPct = $in->number('dip_limit_pct', 1, 60, self::LIMITS[$application]);
        $bound = $in->oneOf('code_bound', ['upper', 'mid', 'lower'], 'upper');
        $in->close();
        $working = new Working();
        [$lrcKva, $basis] = $this->lockedRotor($motor, $motorIn, $bound, $working);
        $c = $motor['phases'] === 3 ? sqrt(3) : 1.0;
        $runKva = $motor['fla'] === null ? null : $c * $motor['v'] * $motor['fla'] / 1000;
        $possible = $motor['phases'] === 3 ? array_keys(self::METHODS) : ['dol', 'soft_start'];
        if (! in_array($motor['method'], $possible, true)) {
            throw $motorIn->at('method')->bad('A single-phase motor starts direct on line or by a soft starter.');
        }
        if ($motor['method'] === 'vfd' && $runKva === null) {
            throw $motorIn->node->at('fla_a', null)->bad('What a drive draws is reckoned from the full-load amps.');
        }
        $isGenerator = $source['kind'] === 'generator';
        $kKva = match (true) {
            ! $isGenerator => null,
            $source['makerKva'] !== null && $source['makerDip'] !== null => $source['makerKva'] * (100 - $source['makerDip']) / $source['makerDip'],
            default => $source['ratedKva'] / $source['x'],
        };
        if ($runKva === null) {
            $possible = array_values(array_diff($possible, ['vfd']));
        }
        $options = array_map(fn(string $method): array => $this->option($method, $lrcKva, $runKva, $motor['soft'], $kKva, $source['surgeKva'], $limitPct), $possible);
        $chosen = array_values(array_filter($options, static fn(array $option): bool => $option['method'] === $motor['method']))[0];
        $s = $chosen['start_kva'];
        $remaining = $chosen['dip_pct'] === null ? null : 100 - $chosen['dip_pct'];
        $startKw = $s * ($remaining === null ? 1 : ($remaining / 100) ** 2) * $motor['startPf'];
        if ($kKva !== null) {
            $working->add('Dip', sprintf('100 × %.4g / (%.4g + %.4g) kVA', $s, $s, $kKva), $chosen['dip_pct'], '%');
        }
        $recommended = array_values(array_filter($options, static fn(array $option): bool => $option['ok']))[0]['method'] ?? null;
        $findings = $this->judge($chosen, $options, $source, $startKw, $limitPct, $motor, $basis, $recommended === null);

        return new Answer([
            'lrc_kva' => $lrcKva, 'basis' => $basis, 'run_kva' => $runKva, 'method' => $motor['method'], 'start_kva' => $s, 'k_kva' => $kKva, 'dip_pct' => $chosen['dip_pct'],
            'remaining_pct' => $remaining, 'start_kw' => $startKw, 'limit_pct' => $isGenerator ? $limitPct : null, 'ok' => $chosen['ok'], 'torque_pct' => $chosen['torque_pct'],
            'max_start_kva' => $kKva === null ? $source['surgeKva'] : $kKva * $limitPct / (100 - $limitPct), 'options' => $options, 'recommended' => $recommended,
        ], $findings->all(), $working->lines);
    }

    /** @return array{phases: int, v: float, lra: ?float, hp: ?float, code: ?string, fla: ?float, multiple: float, method: string, soft: float, startPf: float, loadTorque: ?float} */
    private function motorFields(Fields $in): array
    {
        $phases = $in->int('phases', 1, 3);
        if ($phases === 2) {
            throw $in->at('phases')->bad('A motor has one phase or three.');
        }
        $read = [
            'phases' => $phases, 'v' => $in->np('v_v'), 'lra' => $in->maybeNp('lra_a'), 'hp' => $in->maybeNp('hp'),
            'code' => $in->maybeOneOf('code', array_keys(self::CODES)), 'fla' => $in->maybeNp('fla_a'), 'multiple' => $in->number('lra_multiple', 1, 12, 6.0),
            'method' => $in->oneOf('method', array_keys(self::METHODS), 'dol'), 'soft' => $in->number('soft_start_factor', 0.1, 1, 0.4),
            'startPf' => $in->number('start_pf', 0.05, 1, 0.4), 'loadTorque' => $in->maybeNumber('load_torque_pct', 0, 300),
        ];
        $in->close();

        return $read;
    }

    /** @return array{kind: string, ratedKva: float, x: float, isGenericX: bool, makerKva: ?float, makerDip: ?float, usableKw: ?float, runningKw: float, surgeKva: float} */
    private function sourceFields(Fields $in): array
    {
        $kind = $in->oneOf('kind', ['generator', 'inverter']);
        if ($kind === 'inverter') {
            $surgeKva = $in->np('surge_kva');
            $in->close();

            return ['kind' => $kind, 'ratedKva' => 0.0, 'x' => 1.0, 'isGenericX' => false, 'makerKva' => null, 'makerDip' => null, 'usableKw' => null, 'runningKw' => 0.0, 'surgeKva' => $surgeKva];
        }
        $ratedKva = $in->np('rated_kva');
        $isGenericX = ! $in->has('x_pu');
        $x = $in->number('x_pu', 0.02, 1, 0.25);
        $makerKva = $in->maybeNp('maker_kva');
        $makerDip = $in->maybeNumber('maker_dip_pct', 1, 60);
        $usableKw = $in->maybeNp('usable_kw');
        $runningKw = $in->n0('running_kw', 0.0);
        $in->close();
        if (($makerKva === null) !== ($makerDip === null)) {
            throw $in->node->at($makerKva === null ? 'maker_kva' : 'maker_dip_pct', null)->bad('A point of the maker\'s curve has both its kVA and its dip.');
        }

        return ['kind' => $kind, 'ratedKva' => $ratedKva, 'x' => $x, 'isGenericX' => $isGenericX && $makerKva === null, 'makerKva' => $makerKva, 'makerDip' => $makerDip, 'usableKw' => $usableKw, 'runningKw' => $runningKw, 'surgeKva' => 0.0];
    }

    /**
     * @param array{phases: int, v: float, lra: ?float, hp: ?float, code: ?string, fla: ?float, multiple: float, ...} $motor
     *
     * @return array{float, string}
     */
    private function lockedRotor(array $motor, Fields $in, string $bound, Working $working): array
    {
        $c = $motor['phases'] === 3 ? sqrt(3) : 1.0;
        if ($motor['lra'] !== null) {
            $kva = $c * $motor['v'] * $motor['lra'] / 1000;
            $working->add('Locked-rotor kVA', sprintf('%.4g × %g V × %g A / 1000', $c, $motor['v'], $motor['lra']), $kva, 'kVA');

            return [$kva, 'lra'];
        }
        if ($motor['code'] !== null && $motor['hp'] !== null) {
            [$from, $to] = self::CODES[$motor['code']];
            $perHp = match ($bound) {
                'lower' => $from,
                'mid' => ($from + $to) / 2,
                default => $to,
            };
            $working->add('Locked-rotor kVA', sprintf('code %s, %g kVA/hp × %g hp', $motor['code'], $perHp, $motor['hp']), $perHp * $motor['hp'], 'kVA');

            return [(float) ($perHp * $motor['hp']), 'code'];
        }
        if ($motor['fla'] === null) {
            throw $in->node->bad('Locked-rotor amps, or code letter and horsepower, or full-load amps are needed.');
        }
        $kva = $c * $motor['v'] * $motor['fla'] * $motor['multiple'] / 1000;
        $working->add('Locked-rotor kVA', sprintf('%.4g × %g V × %g A × %g / 1000', $c, $motor['v'], $motor['fla'], $motor['multiple']), $kva, 'kVA');

        return [$kva, 'estimate'];
    }

    /** @return array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool} */
    private function option(string $method, float $lrcKva, ?float $runKva, float $soft, ?float $kKva, float $surgeKva, float $limitPct): array
    {
        $startKva = match ($method) {
            'soft_start' => $soft * $lrcKva,
            'vfd' => self::VFD_SHARE * (float) $runKva,
            default => self::METHODS[$method][0] * $lrcKva,
        };
        $dipPct = $kKva === null ? null : 100 * $startKva / ($startKva + $kKva);

        return [
            'method' => $method, 'start_kva' => $startKva, 'dip_pct' => $dipPct, 'torque_pct' => $method === 'soft_start' ? 100 * $soft ** 2 : (float) self::METHODS[$method][1],
            'ok' => $dipPct === null ? ! Slack::exceeds($startKva, $surgeKva) : ! Slack::exceeds($dipPct, $limitPct),
        ];
    }

    /**
     * @param array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool}       $chosen
     * @param list<array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool}> $options
     * @param array{kind: string, isGenericX: bool, usableKw: ?float, runningKw: float, surgeKva: float, ...} $source
     * @param array{code: ?string, method: string, loadTorque: ?float, ...}                                $motor
     */
    private function judge(array $chosen, array $options, array $source, float $startKw, float $limitPct, array $motor, string $basis, bool $hasNone): Findings
    {
        $findings = new Findings();
        $dip = $chosen['dip_pct'];
        if ($dip !== null) {
            if (Slack::exceeds($dip, $limitPct)) {
                $findings->stop('dip-over-limit', sprintf('The start pulls the voltage down by %.1f %%, %g %% is the limit', $dip, $limitPct), 'What is connected misbehaves or drops out. Start it softer, or on a larger alternator.');
            }
            if (Slack::exceeds($dip, 35)) {
                $findings->stop('dip-severe', sprintf('The voltage falls by %.0f %%', $dip), 'The motor itself may not come up, and the engine may stall.');
            }
            if (Slack::exceeds($dip, 25)) {
                $findings->warn('contactor-dropout', sprintf('%.0f %% is left of the voltage', 100 - $dip), 'Below 75 % contactors may open and chatter; the standard lets them drop out anywhere from 75 down to 20 %.');
            } elseif (Slack::exceeds($dip, 15)) {
                $findings->note('contactor-pull-in', sprintf('%.0f %% is left of the voltage', 100 - $dip), 'Below 85 % a contactor need not close: start the motor after, not with, the contactors.');
            }
            if ($source['usableKw'] !== null && Slack::exceeds($source['runningKw'] + $startKw, 1.1 * $source['usableKw'])) {
                $findings->warn('engine-overload-start', sprintf('%.1f kW at the start, of %.1f kW', $source['runningKw'] + $startKw, $source['usableKw']), 'The engine is overloaded as long as the start lasts, and slows down.');
            }
            if ($source['isGenericX']) {
                $findings->note('generic-reactance', 'The alternator\'s reactance is a generic 0.25', 'The maker\'s starting curve replaces it: one point of it is enough.');
            }
        } elseif (Slack::exceeds($chosen['start_kva'], $source['surgeKva'])) {
            $findings->stop('inverter-surge', sprintf('The start asks for %.1f kVA, the inverter surges to %.1f kVA', $chosen['start_kva'], $source['surgeKva']), 'It switches off. Start it softer, or parallel a second one.');
        }
        if ($basis === 'estimate') {
            $findings->warn('start-estimated', 'The locked-rotor current is estimated from the full-load amps', 'Makes differ from four to eight times. Read it from the nameplate.');
        }
        if ($basis === 'code' && $motor['code'] === 'V') {
            $findings->warn('code-open-ended', 'Code letter V has no upper end', 'The start may ask for more than this. Ask the maker for the locked-rotor amps.');
        }
        $soft = array_values(array_filter($options, static fn(array $option): bool => $option['method'] === 'soft_start'))[0] ?? null;
        if ($motor['method'] === 'dol' && ! $chosen['ok'] && $soft !== null && $soft['ok']) {
            $findings->note('soft-start-helps', sprintf('A soft starter asks for %.1f kVA', $soft['start_kva']), 'It stays within the limit.');
        }
        if ($hasNone) {
            $findings->warn('no-method-helps', 'No way of starting stays within the limit', 'A larger source is needed, or the motor stays off it.');
        }
        if ($motor['loadTorque'] !== null && Slack::isBelow($chosen['torque_pct'], $motor['loadTorque'])) {
            $findings->warn('torque-low', sprintf('%.0f %% of the torque is left, the load asks for %g %%', $chosen['torque_pct'], $motor['loadTorque']), 'A compressor against pressure does not turn and burns. Unload it for the start.');
        }

        return $findings;
    }
}
