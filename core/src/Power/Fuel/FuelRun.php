<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** Consumption, runtime, vapour, pressure and pipe of a generator's fuel. Rule: docs/rules.md#fuel. */
final readonly class FuelRun
{
    public function answer(FuelInput $in): CalculationResult
    {
        $findings = new Findings();
        $working = new Working();
        $isGas = ! FuelUse::isLiquid($in->fuel);
        $loadPct = 100 * $in->loadKw / $in->ratedKw;
        $rate = $in->use->rate($loadPct);
        $btuhFull = $isGas ? (float) $in->use->rate(100)['btuh'] : null;
        $working->add(
            'Burns',
            sprintf('%s table at %.4g %% of %g kW', $in->use->isGeneric ? 'generic' : 'the maker\'s', $loadPct, $in->ratedKw),
            $isGas ? $rate['btuh'] : $rate['l_h'],
            $isGas ? 'BTU/h' : 'L/h',
        );
        if (Tolerance::exceeds($loadPct, 100)) {
            $findings->raise('fuel/overload', ['load_pct' => $loadPct]);
        }
        if ($in->use->isGeneric) {
            $findings->raise('fuel/generic-rate');
        }
        $in->pressure?->judge($findings);
        $reservePct = $in->tank === null ? Tank::GAS_RESERVE_PCT : $in->tank->reservePct;

        return new CalculationResult([
            'load_pct' => $loadPct,
            'rate' => $rate,
            'btuh_full' => $btuhFull,
            'tank' => $in->tank?->answer((float) $rate['gal_h'], $findings, $working),
            'vapour' => $in->vapour?->downTo($reservePct)->answer((float) $rate['btuh'], $findings, $working),
            'gas' => $in->gas?->answer((float) $btuhFull, $findings),
            'pressure' => $in->pressure === null ? null : ['sag_inwc' => $in->pressure->sag()],
            'pipe' => $in->pipe?->answer($in, (float) $btuhFull, $findings, $working),
        ], $findings->all(), $working->lines);
    }
}
