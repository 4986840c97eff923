<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/**
 * One 120 V inverter on both legs of a mobile panel through a jumper: the legs are then in phase, and the neutrals add
 * instead of cancelling. Rule: docs/rules.md#single-leg-jumper.
 */
final readonly class SingleLegJumper
{
    public function answer(SingleLegJumperInput $in): CalculationResult
    {
        $isOneLeg = static fn(JumperLoad $load): bool => $load->connect !== 'L1L2';
        $totalKw = array_sum(array_map(static fn(JumperLoad $load): float => $load->kw, array_filter($in->loads, $isOneLeg)));
        $totalA = 1000 * $totalKw / $in->voltsToNeutral;
        $cannotRun = array_values(array_map(
            static fn(JumperLoad $load): string => $load->id,
            array_filter($in->loads, static fn(JumperLoad $load): bool => ! $isOneLeg($load) && $load->kw > 0),
        ));
        $neutralA = $in->isWorst ? min(2 * $in->mainA, $in->inverterA) : $totalA;
        $maxKw = min($in->inverterKw, $in->inverterA * $in->voltsToNeutral / 1000);
        $findings = new Findings();
        match ($in->makerAllows) {
            'no' => $findings->raise('jumper-not-allowed'),
            'unknown' => $findings->raise('jumper-unconfirmed'),
            default => null,
        };
        if ($in->isAlternateEver240) {
            $findings->raise('alternate-240');
        }
        $isOverloaded = false;
        if (Tolerance::exceeds($neutralA, $in->feederNeutralA)) {
            $isOverloaded = true;
            $findings->raise('feeder-neutral-overload', ['neutral_a' => $neutralA, 'feeder_neutral_a' => $in->feederNeutralA]);
        }
        $rows = [];
        $reliedOn = $in->isWorst
            && ! Tolerance::exceeds($neutralA, $in->feederNeutralA)
            && Tolerance::exceeds(2 * $in->mainA, $in->feederNeutralA) ? ['feeder'] : [];
        foreach ($in->multiwire as $one) {
            $amps = $in->isWorst ? min($one->breakerA1 + $one->breakerA2, $in->inverterA) : $one->a1 + $one->a2;
            $isOk = ! Tolerance::exceeds($amps, $one->neutralA);
            $rows[] = ['id' => $one->id, 'neutral_a' => $amps, 'neutral_split_a' => abs($one->a1 - $one->a2), 'ok' => $isOk];
            if (! $isOk) {
                $isOverloaded = true;
                $findings->raise('multiwire-neutral-overload', [], [$one->id]);
            } elseif ($in->isWorst && Tolerance::exceeds($one->breakerA1 + $one->breakerA2, $one->neutralA)) {
                $reliedOn[] = $one->id;
            }
        }
        if (Tolerance::exceeds($totalKw, $maxKw)) {
            $findings->raise('inverter-overload', ['asked_kw' => $totalKw, 'given_kw' => $maxKw]);
        }
        if ($cannotRun !== []) {
            $findings->raise('no-240-loads', [], $cannotRun);
        }
        if ($in->isWorst && ! $isOverloaded && $reliedOn !== []) {
            $findings->raise('breaker-relied-on', [], $reliedOn);
        }
        $findings->raise('label-input');
        $working = new Working();
        $working->add(
            'Feeder neutral',
            $in->isWorst ? sprintf('least of 2 × %g A and %g A', $in->mainA, $in->inverterA)
                : sprintf('1000 × %g kW / %g V', $totalKw, $in->voltsToNeutral),
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
