<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;

/**
 * One 120 V inverter on both legs of a mobile panel through a jumper: the legs are then in phase, and the neutrals add
 * instead of cancelling. Rule: docs/rules.md#single-leg-jumper.
 */
final readonly class SingleLegJumper
{
    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only([
            'maker_allows',
            'alternate_ever_240',
            'inverter_kw',
            'inverter_a',
            'v_ln_v',
            'feeder_neutral_a',
            'main_a',
            'check',
            'loads',
            'multiwire',
        ]);
        $maker = $in->oneOf('maker_allows', ['yes', 'no', 'unknown'], 'unknown');
        $isEver240 = $in->bool('alternate_ever_240');
        $inverterKw = $in->np('inverter_kw');
        $inverterA = $in->np('inverter_a');
        $v = $in->np('v_ln_v', 120.0);
        $feederNeutralA = $in->np('feeder_neutral_a');
        $mainA = $in->np('main_a', 50.0);
        $isWorst = $in->oneOf('check', ['worst', 'actual'], 'worst') === 'worst';
        /** @var list<array{id: string, kw: float, connect: string}> $loads */
        $loads = $in->each(
            'loads',
            0,
            200,
            static fn(Fields $one): array => [
                'id' => $one->only(['id', 'kw', 'connect'])->text('id'),
                'kw' => $one->n0('kw'),
                'connect' => $one->oneOf('connect', ['L1', 'L2', 'L1L2']),
            ],
        );
        /** @var list<array{id: string, b1: float, b2: float, a1: float, a2: float, neutral: float}> $multiwire */
        $multiwire = $in->each('multiwire', 0, 40, static fn(Fields $one): array => [
            'id' => $one->only(['id', 'l1_breaker_a', 'l2_breaker_a', 'l1_a', 'l2_a', 'neutral_a'])->text('id'),
            'b1' => $one->np('l1_breaker_a'),
            'b2' => $one->np('l2_breaker_a'),
            'a1' => $one->n0('l1_a', 0.0),
            'a2' => $one->n0('l2_a', 0.0),
            'neutral' => $one->np('neutral_a'),
        ]);
        $in->close();

        $isOneLeg = static fn(array $load): bool => $load['connect'] !== 'L1L2';
        $totalKw = array_sum(array_column(array_filter($loads, $isOneLeg), 'kw'));
        $totalA = 1000 * $totalKw / $v;
        $cannotRun = array_values(array_map(
            static fn(array $load): string => $load['id'],
            array_filter($loads, static fn(array $load): bool => ! $isOneLeg($load) && $load['kw'] > 0),
        ));
        $neutralA = $isWorst ? min(2 * $mainA, $inverterA) : $totalA;
        $maxKw = min($inverterKw, $inverterA * $v / 1000);
        $findings = new Findings();
        match ($maker) {
            'no' => $findings->raise('jumper-not-allowed'),
            'unknown' => $findings->raise('jumper-unconfirmed'),
            default => null,
        };
        if ($isEver240) {
            $findings->raise('alternate-240');
        }
        $isOverloaded = false;
        if (Tolerance::exceeds($neutralA, $feederNeutralA)) {
            $isOverloaded = true;
            $findings->raise('feeder-neutral-overload', ['neutral_a' => $neutralA, 'feeder_neutral_a' => $feederNeutralA]);
        }
        $rows = [];
        $reliedOn = $isWorst
            && ! Tolerance::exceeds($neutralA, $feederNeutralA)
            && Tolerance::exceeds(2 * $mainA, $feederNeutralA) ? ['feeder'] : [];
        foreach ($multiwire as $one) {
            $amps = $isWorst ? min($one['b1'] + $one['b2'], $inverterA) : $one['a1'] + $one['a2'];
            $isOk = ! Tolerance::exceeds($amps, $one['neutral']);
            $rows[] = ['id' => $one['id'], 'neutral_a' => $amps, 'neutral_split_a' => abs($one['a1'] - $one['a2']), 'ok' => $isOk];
            if (! $isOk) {
                $isOverloaded = true;
                $findings->raise('multiwire-neutral-overload', [], [$one['id']]);
            } elseif ($isWorst && Tolerance::exceeds($one['b1'] + $one['b2'], $one['neutral'])) {
                $reliedOn[] = $one['id'];
            }
        }
        if (Tolerance::exceeds($totalKw, $maxKw)) {
            $findings->raise('inverter-overload', ['asked_kw' => $totalKw, 'given_kw' => $maxKw]);
        }
        if ($cannotRun !== []) {
            $findings->raise('no-240-loads', [], $cannotRun);
        }
        if ($isWorst && ! $isOverloaded && $reliedOn !== []) {
            $findings->raise('breaker-relied-on', [], $reliedOn);
        }
        $findings->raise('label-input');
        $working = new Working();
        $working->add(
            'Feeder neutral',
            $isWorst ? sprintf('least of 2 × %g A and %g A', $mainA, $inverterA) : sprintf('1000 × %g kW / %g V', $totalKw, $v),
            $neutralA,
            'A',
        );

        return new CalculationResult([
            'allowed' => ! $findings->hasStop(),
            'total_kw' => $totalKw,
            'total_a' => $totalA,
            'feeder_neutral_a' => $neutralA,
            'multiwire' => $rows,
            'cannot_run' => $cannotRun,
            'max_kw' => $maxKw,
        ], $findings->all(), $working->lines);
    }
}
