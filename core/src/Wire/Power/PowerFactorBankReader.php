<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\PowerFactor\BankGenerator;
use Escapement\Core\Power\PowerFactor\BankInput;
use Escapement\Core\Power\PowerFactor\CapacitorStage;
use Escapement\Core\Power\PowerFactor\PowerFactorBank;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wire\ResultWriter;

/** `power_factor_bank` on the wire. Rule: docs/rules.md#power-factor-bank. */
final readonly class PowerFactorBankReader implements InputReader
{
    private const KEYS = [
        'kw', 'pf', 'target_pf', 'v_ll_v', 'fixed', 'steps', 'school', 'rules', 'conductor_factor', 'breaker_factor', 'discharge_s',
        'reconnect_s', 'system_kva', 'nonlinear_pct', 'detuned', 'generator',
    ];
    private const HIGH_VOLTS = 1000;
    /** Seconds to discharge, to 1000 V and above. */
    private const DISCHARGE_S = ['nec' => [60.0, 300.0], 'iec' => [180.0, 600.0]];
    private const CONDUCTOR = ['nec' => 1.35, 'iec' => 1.43];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return ResultWriter::write((new PowerFactorBank())->choose($this->input($node)));
    }

    /** @throws BadInput */
    public function input(Node $node): BankInput
    {
        $in = (new Fields($node))->only(self::KEYS);
        $kw = $in->np('kw');
        $pf = $in->number('pf', 0.1, 1);
        $target = $in->number('target_pf', 0.5, 1, 0.95);
        $vLl = $in->np('v_ll_v');
        $fixed = $in->maybeObject('fixed')?->only(['kvar', 'rated_v', 'switchable']);
        $stage = $fixed === null ? null : new CapacitorStage(
            'fixed',
            $fixed->np('kvar'),
            $fixed->np('rated_v', $vLl),
            $fixed->bool('switchable', false),
        );
        $steps = [];
        foreach ($in->maybeList('steps', 0, 12) ?? [] as $i => $one) {
            $fields = (new Fields($one))->only(['kvar', 'rated_v']);
            $steps[] = new CapacitorStage('step-' . ($i + 1), $fields->np('kvar'), $fields->np('rated_v', $vLl));
        }
        $isReaching = $in->oneOf('school', ['no_overshoot', 'reach'], 'no_overshoot') === 'reach';
        $rules = $in->oneOf('rules', ['nec', 'iec'], 'nec');

        return new BankInput(
            $kw,
            $pf,
            $target,
            $vLl,
            $stage,
            $steps,
            $isReaching,
            $in->number('conductor_factor', 1, 2, self::CONDUCTOR[$rules]),
            $in->number('breaker_factor', 1, 3, 1.5),
            $in->np('discharge_s', self::DISCHARGE_S[$rules][$vLl > self::HIGH_VOLTS ? 1 : 0]),
            $in->maybeN0('reconnect_s'),
            $in->maybeNp('system_kva'),
            $in->pct('nonlinear_pct', 0.0),
            $in->bool('detuned', false),
            self::generator($in->maybeObject('generator')),
        );
    }

    private static function generator(?Fields $in): ?BankGenerator
    {
        $in?->only(['rated_kva', 'x_pu', 'kw', 'pf', 'leading_limit_pct', 'policy']);

        return $in === null ? null : new BankGenerator(
            $in->np('rated_kva'),
            $in->number('x_pu', 0.02, 1, 0.15),
            $in->n0('kw'),
            $in->number('pf', 0.1, 1),
            $in->n0('leading_limit_pct', 10.0),
            $in->oneOf('policy', ['always_off', 'by_limit'], 'always_off') === 'always_off',
        );
    }
}
