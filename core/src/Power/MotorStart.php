<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;

/** Will the lights only blink, or will contactors drop out and the engine stall? Rule: docs/rules.md#motor-start. */
final readonly class MotorStart
{
    /** Code letters: kVA per horsepower from, to. */
    private const CODES = [
        'A' => [0, 3.14],
        'B' => [3.15, 3.54],
        'C' => [3.55, 3.99],
        'D' => [4.0, 4.49],
        'E' => [4.5, 4.99],
        'F' => [5.0, 5.59],
        'G' => [5.6, 6.29],
        'H' => [6.3, 7.09],
        'J' => [7.1, 7.99],
        'K' => [8.0, 8.99],
        'L' => [9.0, 9.99],
        'M' => [10.0, 11.19],
        'N' => [11.2, 12.49],
        'P' => [12.5, 13.99],
        'R' => [14.0, 15.99],
        'S' => [16.0, 17.99],
        'T' => [18.0, 19.99], 'U' => [20.0, 22.39], 'V' => [22.4, 22.4],
    ];
    /** Share of the locked-rotor kVA, torque in percent of starting direct on line. To be confirmed with the starter's maker. */
    private const METHODS = [
        'dol' => [1.0, 100.0],
        'soft_start' => [null, null],
        'part_winding' => [0.65, 45.0],
        'autotransformer_80' => [0.64, 64.0],
        'autotransformer_65' => [0.4225, 42.25],
        'star_delta' => [1 / 3, 100 / 3], 'vfd' => [null, 100.0],
    ];
    /** Dip in percent that is aimed at, and the one that what is connected no longer stands. To be confirmed against what is connected. */
    private const LIMITS = ['sensitive' => [10.0, 10.0], 'lighting' => [15.0, 15.0], 'general' => [20.0, 30.0], 'motors' => [30.0, 30.0]];

    private const VFD_SHARE = 1.5;

    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only(['motor', 'source', 'application', 'dip_limit_pct', 'strict', 'code_bound']);
        $motorIn = $in->object('motor');
        $motor = $this->motorFields($motorIn);
        $sourceIn = $in->object('source');
        $source = $this->sourceFields($sourceIn);
        $application = $in->oneOf('application', ['sensitive', 'lighting', 'general', 'motors'], 'general');
        $ownPct = $in->maybeNumber('dip_limit_pct', 1, 60);
        $isStrict = $in->bool('strict', false);
        $limitPct = $ownPct ?? self::LIMITS[$application][0];
        $stopPct = $isStrict ? $limitPct : $ownPct ?? self::LIMITS[$application][1];
        $bound = $in->oneOf('code_bound', ['upper', 'mid', 'lower'], 'upper');
        $this->refuseContradictions($motor, $motorIn, $source, $sourceIn);
        $working = new Working();
        [$lrcKva, $basis] = $this->lockedRotor($motor, $bound, $working);
        $c = $motor['phases'] === 3 ? sqrt(3) : 1.0;
        $runKva = $motor['fla'] === null ? null : $c * $motor['v'] * $motor['fla'] / 1000;
        $possible = $motor['phases'] === 3 ? array_keys(self::METHODS) : ['dol', 'soft_start'];
        $isGenerator = $source['kind'] === 'generator';
        $kKva = match (true) {
            ! $isGenerator => null,
            $source['makerKva'] !== null
                && $source['makerDip'] !== null => $source['makerKva'] * (100 - $source['makerDip']) / $source['makerDip'],
            default => $source['ratedKva'] / $source['x'],
        };
        if ($runKva === null) {
            $possible = array_values(array_diff($possible, ['vfd']));
        }
        $options = array_map(
            fn(string $method): array => $this->option($method, $lrcKva, $runKva, $motor['soft'], $kKva, $source['surgeKva'], $stopPct),
            $possible,
        );
        $chosen = array_values(array_filter($options, static fn(array $option): bool => $option['method'] === $motor['method']))[0];
        $s = $chosen['start_kva'];
        $remaining = $chosen['dip_pct'] === null ? null : 100 - $chosen['dip_pct'];
        $startKw = $s * ($remaining === null ? 1 : ($remaining / 100) ** 2) * $motor['startPf'];
        if ($kKva !== null) {
            $working->add('Dip', sprintf('100 × %.4g / (%.4g + %.4g) kVA', $s, $s, $kKva), $chosen['dip_pct'], '%');
        }
        $fitting = array_values(array_filter($options, static fn(array $option): bool => $option['ok']));
        $gentle = array_values(array_filter(
            $fitting,
            static fn(array $option): bool => $option['dip_pct'] !== null && ! Tolerance::exceeds($option['dip_pct'], $limitPct),
        ));
        $recommended = $gentle[0]['method'] ?? $fitting[0]['method'] ?? null;
        $findings = $this->judge($chosen, $options, $source, $startKw, [$limitPct, $stopPct], $motor, $basis, $recommended === null);

        return new CalculationResult([
            'lrc_kva' => $lrcKva,
            'basis' => $basis,
            'run_kva' => $runKva,
            'method' => $motor['method'],
            'start_kva' => $s,
            'k_kva' => $kKva,
            'dip_pct' => $chosen['dip_pct'],
            'remaining_pct' => $remaining,
            'start_kw' => $startKw,
            'limit_pct' => $isGenerator ? $limitPct : null,
            'stop_pct' => $isGenerator ? $stopPct : null,
            'ok' => $chosen['ok'],
            'torque_pct' => $chosen['torque_pct'],
            'max_start_kva' => $kKva === null ? $source['surgeKva'] : $kKva * $limitPct / (100 - $limitPct),
            'options' => $options,
            'recommended' => $recommended,
        ], $findings->all(), $working->lines);
    }

    /**
     * Whether a soft starter brings the dip within what is aimed at, or the surge within the inverter.
     *
     * @param array{dip_pct: ?float, ok: bool, ...} $direct
     * @param array{dip_pct: ?float, ok: bool, ...} $soft
     */
    private static function helps(array $direct, array $soft, float $limitPct): bool
    {
        return $direct['dip_pct'] === null || $soft['dip_pct'] === null
            ? ! $direct['ok'] && $soft['ok']
            : Tolerance::exceeds($direct['dip_pct'], $limitPct) && ! Tolerance::exceeds($soft['dip_pct'], $limitPct);
    }

    /**
     * @param array{phases: int, lra: ?float, hp: ?float, code: ?string, fla: ?float, method: string, ...} $motor
     * @param array{kind: string, makerKva: ?float, makerDip: ?float, ...}                                 $source
     */
    private function refuseContradictions(array $motor, Fields $motorIn, array $source, Fields $sourceIn): void
    {
        if ($motor['lra'] === null && ($motor['code'] === null || $motor['hp'] === null) && $motor['fla'] === null) {
            throw $motorIn->node->bad('Locked-rotor amps, or code letter and horsepower, or full-load amps are needed.');
        }
        if ($motor['method'] === 'vfd' && $motor['phases'] === 3 && $motor['fla'] === null) {
            throw $motorIn->at('fla_a')->bad('What a drive draws is calculated from the full-load amps.');
        }
        if ($motor['phases'] === 1 && ! in_array($motor['method'], ['dol', 'soft_start'], true)) {
            throw $motorIn->at('method')->bad('A single-phase motor starts direct on line or by a soft starter.');
        }
        if (($source['makerKva'] === null) !== ($source['makerDip'] === null)) {
            throw $sourceIn->at($source['makerKva'] === null ? 'maker_kva' : 'maker_dip_pct')->bad(
                'A point of the maker\'s curve has both its kVA and its dip.',
            );
        }
    }

    /**
     * @return array{phases: int, v: float, lra: ?float, hp: ?float, code: ?string, fla: ?float, multiple: float,
     *     method: string, soft: float, startPf: float, loadTorque: ?float}
     */
    private function motorFields(Fields $in): array
    {
        $in->only([
            'phases', 'v_v', 'lra_a', 'hp', 'code', 'fla_a', 'lra_multiple', 'method', 'soft_start_factor', 'start_pf', 'load_torque_pct',
        ]);
        $phases = $in->int('phases', 1, 3);
        if ($phases === 2) {
            throw $in->at('phases')->bad('A motor has one phase or three.');
        }
        $read = [
            'phases' => $phases, 'v' => $in->np('v_v'), 'lra' => $in->maybeNp('lra_a'), 'hp' => $in->maybeNp('hp'),
            'code' => $in->maybeOneOf('code', array_keys(self::CODES)),
            'fla' => $in->maybeNp('fla_a'),
            'multiple' => $in->number('lra_multiple', 1, 12, 6.0),
            'method' => $in->oneOf('method', array_keys(self::METHODS), 'dol'), 'soft' => $in->number('soft_start_factor', 0.1, 1, 0.4),
            'startPf' => $in->number('start_pf', 0.05, 1, 0.4), 'loadTorque' => $in->maybeNumber('load_torque_pct', 0, 300),
        ];
        $in->close();

        return $read;
    }

    /**
     * @return array{kind: string, ratedKva: float, x: float, isGenericX: bool, makerKva: ?float, makerDip: ?float,
     *     usableKw: ?float, runningKw: float, surgeKva: float}
     */
    private function sourceFields(Fields $in): array
    {
        $kind = $in->oneOf('kind', ['generator', 'inverter']);
        if ($kind === 'inverter') {
            $surgeKva = $in->only(['kind', 'surge_kva'])->np('surge_kva');

            return [
                'kind' => $kind,
                'ratedKva' => 0.0,
                'x' => 1.0,
                'isGenericX' => false,
                'makerKva' => null,
                'makerDip' => null,
                'usableKw' => null,
                'runningKw' => 0.0,
                'surgeKva' => $surgeKva,
            ];
        }
        $in->only(['kind', 'rated_kva', 'x_pu', 'maker_kva', 'maker_dip_pct', 'usable_kw', 'running_kw']);
        $ratedKva = $in->np('rated_kva');
        $isGenericX = ! $in->has('x_pu');
        $x = $in->number('x_pu', 0.02, 1, 0.25);
        $makerKva = $in->maybeNp('maker_kva');
        $makerDip = $in->maybeNumber('maker_dip_pct', 1, 60);
        $usableKw = $in->maybeNp('usable_kw');
        $runningKw = $in->n0('running_kw', 0.0);

        return [
            'kind' => $kind,
            'ratedKva' => $ratedKva,
            'x' => $x,
            'isGenericX' => $isGenericX && $makerKva === null,
            'makerKva' => $makerKva,
            'makerDip' => $makerDip,
            'usableKw' => $usableKw,
            'runningKw' => $runningKw,
            'surgeKva' => 0.0,
        ];
    }

    /**
     * @param array{phases: int, v: float, lra: ?float, hp: ?float, code: ?string, fla: ?float, multiple: float, ...} $motor
     *
     * @return array{float, string}
     */
    private function lockedRotor(array $motor, string $bound, Working $working): array
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
            $working->add(
                'Locked-rotor kVA',
                sprintf('code %s, %g kVA/hp × %g hp', $motor['code'], $perHp, $motor['hp']),
                $perHp * $motor['hp'],
                'kVA',
            );

            return [(float) ($perHp * $motor['hp']), 'code'];
        }
        $kva = $c * $motor['v'] * (float) $motor['fla'] * $motor['multiple'] / 1000;
        $working->add(
            'Locked-rotor kVA',
            sprintf('%.4g × %g V × %g A × %g / 1000', $c, $motor['v'], $motor['fla'], $motor['multiple']),
            $kva,
            'kVA',
        );

        return [$kva, 'estimate'];
    }

    /** @return array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool} */
    private function option(
        string $method,
        float $lrcKva,
        ?float $runKva,
        float $soft,
        ?float $kKva,
        float $surgeKva,
        float $stopPct,
    ): array {
        $startKva = match ($method) {
            'soft_start' => $soft * $lrcKva,
            'vfd' => self::VFD_SHARE * (float) $runKva,
            default => (float) self::METHODS[$method][0] * $lrcKva,
        };
        $dipPct = $kKva === null ? null : 100 * $startKva / ($startKva + $kKva);

        return [
            'method' => $method,
            'start_kva' => $startKva,
            'dip_pct' => $dipPct,
            'torque_pct' => $method === 'soft_start' ? 100 * $soft ** 2 : (float) self::METHODS[$method][1],
            'ok' => $dipPct === null ? ! Tolerance::exceeds($startKva, $surgeKva) : ! Tolerance::exceeds($dipPct, $stopPct),
        ];
    }

    /**
     * @param array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool}       $chosen
     * @param list<array{method: string, start_kva: float, dip_pct: ?float, torque_pct: float, ok: bool}> $options
     * @param array{kind: string, isGenericX: bool, usableKw: ?float, runningKw: float, surgeKva: float, ...} $source
     * @param array{float, float}                                                                         $limits aimed at, stop
     * @param array{code: ?string, method: string, loadTorque: ?float, ...}                                $motor
     */
    private function judge(
        array $chosen,
        array $options,
        array $source,
        float $startKw,
        array $limits,
        array $motor,
        string $basis,
        bool $hasNone,
    ): Findings {
        $findings = new Findings();
        [$limitPct, $stopPct] = $limits;
        $dip = $chosen['dip_pct'];
        if ($dip !== null) {
            if (Tolerance::exceeds($dip, $stopPct)) {
                $findings->raise('dip-over-limit', ['dip' => $dip, 'limit_pct' => $stopPct]);
            } elseif (Tolerance::exceeds($dip, $limitPct)) {
                $findings->raise('dip-over-target', ['dip' => $dip, 'limit_pct' => $limitPct]);
            }
            if (Tolerance::exceeds($dip, 35)) {
                $findings->raise('motor-start/dip-severe', ['dip' => $dip]);
            }
            if (Tolerance::exceeds($dip, 25)) {
                $findings->raise('contactor-dropout', ['left_pct' => 100 - $dip]);
            } elseif (Tolerance::exceeds($dip, 15)) {
                $findings->raise('contactor-pull-in', ['left_pct' => 100 - $dip]);
            }
            if ($source['usableKw'] !== null && Tolerance::exceeds($source['runningKw'] + $startKw, 1.1 * $source['usableKw'])) {
                $findings->raise(
                    'engine-overload-start',
                    ['asked_kw' => $source['runningKw'] + $startKw, 'usable_kw' => $source['usableKw']],
                );
            }
            if ($source['isGenericX']) {
                $findings->raise('generic-reactance');
            }
        } elseif (Tolerance::exceeds($chosen['start_kva'], $source['surgeKva'])) {
            $findings->raise('inverter-surge', ['start_kva' => $chosen['start_kva'], 'surge_kva' => $source['surgeKva']]);
        }
        if ($basis === 'estimate') {
            $findings->raise('start-estimated');
        }
        if ($basis === 'code' && $motor['code'] === 'V') {
            $findings->raise('code-open-ended');
        }
        $soft = array_values(array_filter($options, static fn(array $option): bool => $option['method'] === 'soft_start'))[0] ?? null;
        if ($motor['method'] === 'dol' && $soft !== null && self::helps($chosen, $soft, $limitPct)) {
            $findings->raise('soft-start-helps', ['start_kva' => $soft['start_kva']]);
        }
        if ($hasNone) {
            $findings->raise('no-method-helps');
        }
        if ($motor['loadTorque'] !== null && Tolerance::isBelow($chosen['torque_pct'], $motor['loadTorque'])) {
            $findings->raise('motor-start/torque-low', ['torque_pct' => $chosen['torque_pct'], 'load_torque' => $motor['loadTorque']]);
        }

        return $findings;
    }
}
