<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Relative;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** Proves that every lug was torqued, and that its witness mark still tells the truth. Rule: wiring §7. */
final readonly class Torque
{
    private const DUE_SOON_DAYS = 30;
    private const REJECTS = ['no-torque-value', 'torque-low', 'torque-high', 'mark-moved', 'remarked-without-torque'];
    private const ACTIONS = [
        'no-torque-value' => 'find_value', 'torque-high' => 'inspect_replace', 'torque-low' => 're_torque', 'mark-moved' => 're_torque', 'mark-missing' => 're_torque',
        'remarked-without-torque' => 're_torque', 'torque-not-recorded' => 'torque', 'mark-not-applied' => 'mark',
    ];

    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $isFirst = $in->oneOf('visit', ['first', 'revisit'], 'first') === 'first';
        $workDate = Dates::read($in, 'work_date');
        $isRetorqueAll = $in->oneOf('revisit_school', ['mark_check', 'retorque_all'], 'mark_check') === 'retorque_all';
        $tolerancePct = $in->number('tolerance_pct', 0, 50, 10.0);
        $tool = ($f = $in->maybeObject('tool')) === null ? null : $this->tool($f, $workDate);
        $points = $in->each('points', 1, 100, fn(Fields $one): array => $this->point($one, $isFirst), isOptional: false);
        $in->close();

        $findings = new Findings();
        $working = new Working();
        $rows = array_map(fn(array $point): array => $this->judge($point, $isFirst, $isRetorqueAll, $tolerancePct, $tool, $findings), $points);
        $isExpired = false;
        if ($tool !== null) {
            $days = Dates::daysBetween($workDate, $tool['due']);
            $isExpired = $days < 0;
            if ($isExpired) {
                $findings->stop('tool-calibration-expired', "The tool's calibration ended on {$tool['due']}", 'What it clicked at is not known. Have it calibrated, and torque again.');
            } elseif ($days <= self::DUE_SOON_DAYS) {
                $findings->note('tool-calibration-due-soon', "The tool's calibration ends on {$tool['due']}", 'Send it in before the next job.');
            }
        } elseif (array_filter($points, static fn(array $point): bool => $point['recorded'] !== null) !== []) {
            $findings->warn('tool-not-recorded', 'Values are recorded without the tool', 'Without its calibration they prove little.');
        }
        $findings->note('torque-dead-only', 'Torque only what is dead and proved dead', 'Lugs are live parts. Isolate, lock, tag, prove dead with a meter first.');
        $working->add('Band', sprintf('target × (1 ± %g / 100)', $tolerancePct), null, 'in-lb');

        return new Answer([
            'points' => $rows, 'calibration_due' => $tool['due'] ?? null,
            'all_accepted' => ! $isExpired && array_filter($rows, static fn(array $row): bool => $row['verdict'] !== 'accept') === [], 'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @return array{due: string, min: ?float, max: ?float} */
    private function tool(Fields $in, string $workDate): array
    {
        $on = Dates::read($in, 'calibrated_on');
        $days = $in->int('interval_days', 1, 1825, 365);
        $tool = ['due' => Dates::plusDays($on, $days), 'min' => $in->maybeNumber('min_in_lb', 0, 20_000), 'max' => $in->maybeNumber('max_in_lb', 0, 20_000)];
        $in->close();
        if ($on > $workDate) {
            throw $in->at('calibrated_on')->bad('This is after the work.');
        }

        return $tool;
    }

    /** @return array{id: string, size: string, screw: string, socket: ?string, maker: ?float, recorded: ?float, mark: string} */
    private function point(Fields $in, bool $isFirst): array
    {
        $id = $in->text('id', 40);
        $size = WiringFields::size($in, 'conductor_size');
        $screw = $in->oneOf('screw', ['slotted_small', 'slotted_large', 'split_bolt', 'hex_external', 'hex_socket']);
        $socket = $screw === 'hex_socket' ? $in->maybeOneOf('socket_in', array_map(strval(...), array_keys(TorqueTable::SOCKETS))) : null;
        $maker = ($f = $in->maybeObject('maker')) === null ? null : $this->value($f, 0.001);
        $recorded = ($f = $in->maybeObject('recorded')) === null ? null : $this->value($f, 0);
        $mark = $isFirst ? $in->oneOf('mark', ['none', 'applied'], 'none') : $in->oneOf('mark', ['aligned', 'moved', 'missing', 'remarked']);

        return ['id' => $id, 'size' => $size, 'screw' => $screw, 'socket' => $socket, 'maker' => $maker, 'recorded' => $recorded, 'mark' => $mark];
    }

    private function value(Fields $in, float $least): float
    {
        $value = $in->number('value', $least, 20_000);
        $unit = $in->oneOf('unit', ['in_lb', 'ft_lb', 'nm']);
        $in->close();

        return TorqueTable::toInLb($value, $unit);
    }

    /**
     * @param array{id: string, size: string, screw: string, socket: ?string, maker: ?float, recorded: ?float, mark: string} $point
     * @param null|array{due: string, min: ?float, max: ?float}                                                               $tool
     *
     * @return array<string, mixed>
     */
    private function judge(array $point, bool $isFirst, bool $isRetorqueAll, float $tolerancePct, ?array $tool, Findings $findings): array
    {
        $target = $point['maker'] ?? TorqueTable::inLb($point['screw'], $point['size'], $point['socket']);
        $source = $point['maker'] !== null ? 'maker' : ($target === null ? 'none' : 'table');
        $low = $target === null ? null : $target * (1 - $tolerancePct / 100);
        $high = $target === null ? null : $target * (1 + $tolerancePct / 100);
        $recorded = $point['recorded'];
        $mark = $point['mark'];
        $flags = [];
        $isLow = $recorded !== null && $low !== null && Relative::isOver($low, $recorded);
        $isHigh = $recorded !== null && $high !== null && Relative::isOver($recorded, $high);
        $isInBand = $recorded !== null && $target !== null && ! $isLow && ! $isHigh;
        if ($source === 'table') {
            $flags['maker-torque-missing'] = ['warn', 'The maker\'s torque is missing', 'Look on the label or the sheet first; the table is a last resort.'];
        }
        if ($source === 'none') {
            $flags['no-torque-value'] = ['stop', 'There is no torque value for this screw', 'Find the maker\'s sheet.'];
        }
        if ($isLow) {
            $flags['torque-low'] = ['stop', 'A lug is below its torque', 'It works loose and heats. Torque it again.'];
        }
        if ($isHigh) {
            $flags['torque-high'] = ['stop', 'A lug is above its torque', 'Strands or lug may be damaged: inspect, replace as the maker says; do not just back off.'];
        }
        if ($recorded === null && ($isFirst || $mark === 'aligned' && $isRetorqueAll)) {
            $flags['torque-not-recorded'] = ['warn', 'No torque is recorded', 'What is not written down was not torqued.'];
        }
        if ($mark === 'moved' && ! $isInBand) {
            $flags['mark-moved'] = ['stop', 'A witness mark has moved', 'The lug has worked loose. Torque it, mark it, and ask why.'];
        }
        if ($mark === 'moved' && $isInBand) {
            $flags['mark-moved-retorqued'] = ['note', 'A witness mark had moved; it is torqued again', 'Look at it next time: what loosened it may still be there.'];
        }
        if ($mark === 'missing' && $recorded === null) {
            $flags['mark-missing'] = ['warn', 'A witness mark is missing', 'Nothing tells whether it moved. Torque it and mark it.'];
        }
        if ($mark === 'remarked' && $recorded === null) {
            $flags['remarked-without-torque'] = ['stop', 'A new mark without a torque', 'A new line over an unproved joint hides the looseness.'];
        }
        if ($recorded !== null && $target !== null && $tool !== null && ($tool['min'] !== null && Relative::isOver($tool['min'], $target) || $tool['max'] !== null && Relative::isOver($target, $tool['max']))) {
            $flags['tool-out-of-range'] = ['warn', 'The target lies outside the range of the tool', 'Outside its range a tool is not true. Take another.'];
        }
        if ($isFirst && $mark === 'none' && $isInBand) {
            $flags['mark-not-applied'] = ['note', 'No witness mark is drawn', 'The next visit cannot see whether it moved.'];
        }
        foreach ($flags as $id => [$severity, $message, $because]) {
            match ($severity) {
                'stop' => $findings->stop($id, $message, $because, [$point['id']]),
                'warn' => $findings->warn($id, $message, $because, [$point['id']]),
                default => $findings->note($id, $message, $because, [$point['id']]),
            };
        }
        $names = array_keys($flags);
        sort($names);
        $action = array_values(array_intersect_key(self::ACTIONS, $flags))[0] ?? 'none';

        return [
            'id' => $point['id'], 'source' => $source, 'target_in_lb' => $target, 'target_ft_lb' => $target === null ? null : $target / 12,
            'target_nm' => $target === null ? null : $target * TorqueTable::IN_LB_TO_NM, 'low_in_lb' => $low, 'high_in_lb' => $high, 'recorded_in_lb' => $recorded,
            'deviation_pct' => $recorded === null || $target === null ? null : 100 * ($recorded / $target - 1),
            'verdict' => match (true) {
                array_intersect($names, self::REJECTS) !== [] => 'reject',
                isset($flags['torque-not-recorded']) || isset($flags['mark-missing']) => 'incomplete',
                default => 'accept',
            },
            'action' => $action, 'flags' => $names,
        ];
    }
}
