<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\RelativeTolerance;

/** Proves that every lug was torqued, and that its witness mark still tells the truth. Rule: docs/rules.md#torque. */
final readonly class Torque
{
    private const DUE_SOON_DAYS = 30;
    private const REJECTS = ['no-torque-value', 'torque-low', 'torque-high', 'mark-moved', 'remarked-without-torque'];
    private const ACTIONS = [
        'no-torque-value' => 'find_value',
        'torque-high' => 'inspect_replace',
        'torque-low' => 're_torque',
        'mark-moved' => 're_torque',
        'mark-missing' => 're_torque',
        'remarked-without-torque' => 're_torque', 'torque-not-recorded' => 'torque', 'mark-not-applied' => 'mark',
    ];

    public function answer(Node $input): CalculationResult
    {
        $in = new Fields($input);
        $isFirst = $in->oneOf('visit', ['first', 'revisit'], 'first') === 'first';
        $in->only(['work_date', 'visit', 'revisit_school', 'tolerance_pct', 'tool', 'points']);
        $workDate = Dates::read($in, 'work_date');
        $isRetorqueAll = $in->oneOf('revisit_school', ['mark_check', 'retorque_all'], 'mark_check') === 'retorque_all';
        $tolerancePct = $in->number('tolerance_pct', 0, 50, 10.0);
        $tool = ($f = $in->maybeObject('tool')) === null ? null : $this->tool($f);
        $points = $in->each('points', 1, 100, fn(Fields $one): array => $this->point($one, $isFirst), isOptional: false, idsLast: true);
        if ($tool !== null && $tool['calibrated'] > $workDate) {
            throw $in->object('tool')->at('calibrated_on')->bad('The tool was calibrated after the work.');
        }

        $findings = new Findings();
        $working = new Working();
        $rows = array_map(
            fn(array $point): array => $this->judge($point, $isFirst, $isRetorqueAll, $tolerancePct, $tool, $findings),
            $points,
        );
        $isExpired = false;
        if ($tool !== null) {
            $days = Dates::daysBetween($workDate, $tool['due']);
            $isExpired = $days < 0;
            if ($isExpired) {
                $findings->raise('tool-calibration-expired', ['due' => $tool['due']]);
            } elseif ($days <= self::DUE_SOON_DAYS) {
                $findings->raise('tool-calibration-due-soon', ['due' => $tool['due']]);
            }
        } elseif (array_filter($points, static fn(array $point): bool => $point['recorded'] !== null) !== []) {
            $findings->raise('tool-not-recorded');
        }
        $findings->raise('torque-dead-only');
        $working->add('Band', sprintf('target × (1 ± %g / 100)', $tolerancePct), null, 'in-lb');

        return new CalculationResult([
            'points' => $rows, 'calibration_due' => $tool['due'] ?? null,
            'all_accepted' => ! $isExpired && array_filter($rows, static fn(array $row): bool => $row['verdict'] !== 'accept') === [],
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @return array{calibrated: string, due: string, min: ?float, max: ?float} */
    private function tool(Fields $in): array
    {
        $in->only(['calibrated_on', 'interval_days', 'min_in_lb', 'max_in_lb']);
        $on = Dates::read($in, 'calibrated_on');
        $days = $in->int('interval_days', 1, 1825, 365);
        $tool = [
            'calibrated' => $on,
            'due' => Dates::plusDays($on, $days),
            'min' => $in->maybeNumber('min_in_lb', 0, 20_000),
            'max' => $in->maybeNumber('max_in_lb', 0, 20_000),
        ];

        return $tool;
    }

    /** @return array{id: string, size: string, screw: string, socket: ?string, maker: ?float, recorded: ?float, mark: string} */
    private function point(Fields $in, bool $isFirst): array
    {
        $screw = $in->oneOf('screw', ['slotted_small', 'slotted_large', 'split_bolt', 'hex_external', 'hex_socket']);
        $in->only(['id', 'conductor_size', 'screw', ...($screw === 'hex_socket' ? ['socket_in'] : []), 'maker', 'recorded', 'mark']);
        $id = $in->text('id', 40);
        $size = WiringFields::size($in, 'conductor_size');
        $socket = $screw === 'hex_socket' ? $in->maybeOneOf('socket_in', array_map(strval(...), array_keys(TorqueTable::SOCKETS))) : null;
        $maker = ($f = $in->maybeObject('maker')) === null ? null : $this->value($f, 0.001);
        $recorded = ($f = $in->maybeObject('recorded')) === null ? null : $this->value($f, 0);
        $mark = $isFirst ? $in->oneOf('mark', ['none', 'applied'], 'none') : $in->oneOf(
            'mark',
            ['aligned', 'moved', 'missing', 'remarked'],
        );

        return [
            'id' => $id,
            'size' => $size,
            'screw' => $screw,
            'socket' => $socket,
            'maker' => $maker,
            'recorded' => $recorded,
            'mark' => $mark,
        ];
    }

    private function value(Fields $in, float $least): float
    {
        $in->only(['value', 'unit']);
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
        $isLow = $recorded !== null && $low !== null && RelativeTolerance::isOver($low, $recorded);
        $isHigh = $recorded !== null && $high !== null && RelativeTolerance::isOver($recorded, $high);
        $isInBand = $recorded !== null && $target !== null && ! $isLow && ! $isHigh;
        if ($source === 'table') {
            $flags['maker-torque-missing'] = true;
        }
        if ($source === 'none') {
            $flags['no-torque-value'] = true;
        }
        if ($isLow) {
            $flags['torque-low'] = true;
        }
        if ($isHigh) {
            $flags['torque-high'] = true;
        }
        if ($recorded === null && ($isFirst || $mark === 'aligned' && $isRetorqueAll)) {
            $flags['torque-not-recorded'] = true;
        }
        if ($mark === 'moved' && ! $isInBand) {
            $flags['mark-moved'] = true;
        }
        if ($mark === 'moved' && $isInBand) {
            $flags['mark-moved-retorqued'] = true;
        }
        if ($mark === 'missing' && $recorded === null) {
            $flags['mark-missing'] = true;
        }
        if ($mark === 'remarked' && $recorded === null) {
            $flags['remarked-without-torque'] = true;
        }
        if ($recorded !== null
            && $target !== null
            && $tool !== null
            && ($tool['min'] !== null
                && RelativeTolerance::isOver($tool['min'], $target)
                || $tool['max'] !== null
                && RelativeTolerance::isOver($target, $tool['max']))) {
            $flags['tool-out-of-range'] = true;
        }
        if ($isFirst && $mark === 'none' && $isInBand) {
            $flags['mark-not-applied'] = true;
        }
        foreach (array_keys($flags) as $id) {
            $findings->raise("torque/$id", [], [$point['id']]);
        }
        $names = array_keys($flags);
        sort($names);
        $action = array_values(array_intersect_key(self::ACTIONS, $flags))[0] ?? 'none';

        return [
            'id' => $point['id'], 'source' => $source, 'target_in_lb' => $target, 'target_ft_lb' => $target === null ? null : $target / 12,
            'target_nm' => $target === null ? null : $target * TorqueTable::IN_LB_TO_NM,
            'low_in_lb' => $low,
            'high_in_lb' => $high,
            'recorded_in_lb' => $recorded,
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
