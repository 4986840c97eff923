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
        $findings = $this->judge($in);
        $working = new Working();
        $working->add(
            'Feeder neutral',
            $in->isWorst ? sprintf('least of 2 × %g A and %g A', $in->mainA, $in->inverterA)
                : sprintf('1000 × %g kW / %g V', $in->totalKw(), $in->voltsToNeutral),
            $in->feederNeutralAmps(),
            'A',
        );

        return new CalculationResult([
            'allowed' => ! $findings->hasStop(),
            'total_kw' => $in->totalKw(),
            'total_a' => $in->totalA(),
            'feeder_neutral_a' => $in->feederNeutralAmps(),
            'multiwire' => array_map(static fn(MultiwireBranch $one): array => $one->toArray($in), $in->multiwire),
            'cannot_run' => $in->cannotRun(),
            'max_kw' => $in->maxKw(),
        ], $findings->all(), $working->lines);
    }

    private function judge(SingleLegJumperInput $in): Findings
    {
        $findings = new Findings();
        if ($in->makerAllows !== 'yes') {
            $findings->raise($in->makerAllows === 'no' ? 'jumper-not-allowed' : 'jumper-unconfirmed');
        }
        if ($in->isAlternateEver240) {
            $findings->raise('alternate-240');
        }
        $isOverloaded = $this->judgeNeutrals($in, $findings);
        if (Tolerance::exceeds($in->totalKw(), $in->maxKw())) {
            $findings->raise('inverter-overload', ['asked_kw' => $in->totalKw(), 'given_kw' => $in->maxKw()]);
        }
        if ($in->cannotRun() !== []) {
            $findings->raise('no-240-loads', [], $in->cannotRun());
        }
        if (! $isOverloaded && $in->reliedOn() !== []) {
            $findings->raise('breaker-relied-on', [], $in->reliedOn());
        }
        $findings->raise('label-input');

        return $findings;
    }

    /** @return bool whether one of them carries more than it may */
    private function judgeNeutrals(SingleLegJumperInput $in, Findings $findings): bool
    {
        if ($in->isFeederOverloaded()) {
            $figures = ['neutral_a' => $in->feederNeutralAmps(), 'feeder_neutral_a' => $in->feederNeutralA];
            $findings->raise('feeder-neutral-overload', $figures);
        }
        $overloaded = array_filter($in->multiwire, static fn(MultiwireBranch $one): bool => $one->isOverloaded($in));
        foreach ($overloaded as $one) {
            $findings->raise('multiwire-neutral-overload', [], [$one->id]);
        }

        return $in->isFeederOverloaded() || $overloaded !== [];
    }
}
