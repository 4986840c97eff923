<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Wiring;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Wire\InputReader;
use Escapement\Core\Wiring\Dates;
use Escapement\Core\Wiring\Torque\Torque;
use Escapement\Core\Wiring\Torque\TorqueInput;
use Escapement\Core\Wiring\Torque\TorquePoint;
use Escapement\Core\Wiring\Torque\TorqueTable;
use Escapement\Core\Wiring\Torque\TorqueTool;
use Escapement\Core\Wiring\WiringFields;

/** `torque` on the wire. Rule: docs/rules.md#torque. */
final readonly class TorqueReader implements InputReader
{
    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return (new Torque())->answer($this->input($node))->toArray();
    }

    /** @throws BadInput */
    public function input(Node $node): TorqueInput
    {
        $in = new Fields($node);
        $isFirst = $in->oneOf('visit', ['first', 'revisit'], 'first') === 'first';
        $workDate = Dates::read($in->only(['work_date', 'visit', 'revisit_school', 'tolerance_pct', 'tool', 'points']), 'work_date');
        $isRetorqueAll = $in->oneOf('revisit_school', ['mark_check', 'retorque_all'], 'mark_check') === 'retorque_all';
        $tolerancePct = $in->number('tolerance_pct', 0, 50, 10.0);
        $toolIn = $in->maybeObject('tool');
        $tool = $toolIn === null ? null : $this->tool($toolIn);
        $point = fn(Fields $one): TorquePoint => $this->point($one, $isFirst);
        $points = $in->each('points', 1, 100, $point, isOptional: false, idsLast: true);

        return new TorqueInput($workDate, $points, $isFirst, $isRetorqueAll, $tolerancePct, $tool);
    }

    private function tool(Fields $in): TorqueTool
    {
        return new TorqueTool(
            Dates::read($in->only(['calibrated_on', 'interval_days', 'min_in_lb', 'max_in_lb']), 'calibrated_on'),
            $in->int('interval_days', 1, 1825, 365),
            $in->maybeNumber('min_in_lb', 0, 20_000),
            $in->maybeNumber('max_in_lb', 0, 20_000),
        );
    }

    private function point(Fields $in, bool $isFirst): TorquePoint
    {
        $screw = $in->oneOf('screw', TorqueTable::SCREWS);
        $isSocket = $screw === 'hex_socket';
        $in->only(['id', 'conductor_size', 'screw', ...($isSocket ? ['socket_in'] : []), 'maker', 'recorded', 'mark']);
        $id = $in->text('id', 40);
        $size = WiringFields::size($in, 'conductor_size');
        $socket = $isSocket ? $in->maybeOneOf('socket_in', TorqueTable::sockets()) : null;
        $maker = $in->maybeObject('maker');
        $makerInLb = $maker === null ? null : $this->inLb($maker, 0.001);
        $recorded = $in->maybeObject('recorded');
        $recordedInLb = $recorded === null ? null : $this->inLb($recorded, 0);
        $mark = $isFirst
            ? $in->oneOf('mark', ['none', 'applied'], 'none')
            : $in->oneOf('mark', ['aligned', 'moved', 'missing', 'remarked']);

        return new TorquePoint($id, $size, $screw, $socket, $makerInLb, $recordedInLb, $mark);
    }

    private function inLb(Fields $in, float $least): float
    {
        $value = $in->only(['value', 'unit'])->number('value', $least, 20_000);

        return TorqueTable::toInLb($value, $in->oneOf('unit', ['in_lb', 'ft_lb', 'nm']));
    }
}
