<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Power;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Power\Motor\LockedRotor;
use Escapement\Core\Power\Motor\Motor;
use Escapement\Core\Power\Motor\MotorStart;
use Escapement\Core\Power\Motor\MotorStartInput;
use Escapement\Core\Power\Motor\StartMethod;
use Escapement\Core\Power\Motor\StartSource;
use Escapement\Core\Wire\InputReader;

/** `motor_start` on the wire. Rule: docs/rules.md#motor-start. */
final readonly class MotorStartReader implements InputReader
{
    private const MOTOR = [
        'phases', 'v_v', 'lra_a', 'hp', 'code', 'fla_a', 'lra_multiple', 'method', 'soft_start_factor', 'start_pf', 'load_torque_pct',
    ];

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new MotorStart())->answer($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): MotorStartInput
    {
        $in = (new Fields($node))->only(['motor', 'source', 'application', 'dip_limit_pct', 'strict', 'code_bound']);

        return new MotorStartInput(
            $this->motor($in->object('motor')->only(self::MOTOR)),
            $this->source($in->object('source')),
            $in->oneOf('application', array_keys(MotorStartInput::LIMITS), 'general'),
            $in->maybeNumber('dip_limit_pct', 1, 60),
            $in->bool('strict', false),
            $in->oneOf('code_bound', ['upper', 'mid', 'lower'], 'upper'),
        );
    }

    private function motor(Fields $in): Motor
    {
        $phases = $in->int('phases', 1, 3);
        if ($phases !== 1 && $phases !== 3) {
            throw $in->at('phases')->bad('A motor has one phase or three.');
        }

        return new Motor(
            $phases,
            $in->np('v_v'),
            $in->maybeNp('lra_a'),
            $in->maybeNp('hp'),
            $in->maybeOneOf('code', array_keys(LockedRotor::CODES)),
            $in->maybeNp('fla_a'),
            $in->number('lra_multiple', 1, 12, 6.0),
            StartMethod::from($in->oneOf('method', array_column(StartMethod::cases(), 'value'), 'dol')),
            $in->number('soft_start_factor', 0.1, 1, 0.4),
            $in->number('start_pf', 0.05, 1, 0.4),
            $in->maybeNumber('load_torque_pct', 0, 300),
        );
    }

    private function source(Fields $in): StartSource
    {
        if ($in->oneOf('kind', ['generator', 'inverter']) === 'inverter') {
            return StartSource::inverter($in->only(['kind', 'surge_kva'])->np('surge_kva'));
        }
        $in->only(['kind', 'rated_kva', 'x_pu', 'maker_kva', 'maker_dip_pct', 'usable_kw', 'running_kw']);

        return StartSource::generator(
            $in->np('rated_kva'),
            $in->maybeNumber('x_pu', 0.02, 1),
            $in->maybeNp('maker_kva'),
            $in->maybeNumber('maker_dip_pct', 1, 60),
            $in->maybeNp('usable_kw'),
            $in->n0('running_kw', 0.0),
        );
    }
}
