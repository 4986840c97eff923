<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Rating;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** What battery stations give through their outlet, and how much of it. Rule: docs/rules.md#source-rating. */
final readonly class InverterRating
{
    public function answer(InverterRatingInput $in): CalculationResult
    {
        $powerKw = $in->continuousKw * $in->count;
        $outletLegKw = $in->outletA === null ? null : $in->outletA * $in->vLn / 1000;
        $outletKw = $outletLegKw === null ? null : $outletLegKw * ($in->isSplit() ? 2 : 1);
        $usableKw = min($powerKw, $outletKw ?? INF);
        $legKw = min($outletLegKw ?? INF, match (true) {
            $in->legKw !== null => $in->legKw * $in->count,
            $in->isSplit() => $usableKw / 2,
            default => $usableKw,
        });
        $usableKwh = ($in->batteryKwh * $in->count + $in->extraKwh) * $in->depth * $in->efficiency;
        $working = new Working();
        $through = $outletKw === null ? '' : sprintf(', through an outlet of %g kW', $outletKw);
        $working->add('Usable power', sprintf('%d × %g kW%s', $in->count, $in->continuousKw, $through), $usableKw, 'kW');
        $stored = sprintf('(%d × %g + %g) kWh × %g × %g', $in->count, $in->batteryKwh, $in->extraKwh, $in->depth, $in->efficiency);
        $working->add('Usable energy', $stored, $usableKwh, 'kWh');
        $findings = self::findings($in, $powerKw, $outletKw, $legKw);

        return new CalculationResult([
            'usable_kw' => $usableKw,
            'surge_kw' => $in->surgeKw * $in->count,
            'usable_kwh' => $usableKwh,
            'leg_kw' => $legKw,
            'leg_a' => $legKw * 1000 / $in->vLn,
            'legs' => $in->isSplit() ? 2 : 1,
        ], $findings->all(), $working->lines);
    }

    private static function findings(InverterRatingInput $in, float $powerKw, ?float $outletKw, float $legKw): Findings
    {
        $findings = new Findings();
        if (! $in->isSplit()) {
            $findings->raise('no-240', severity: $in->needs240 ? Severity::Stop : Severity::Note);
        }
        if ($outletKw !== null && Tolerance::isBelow($outletKw, $powerKw)) {
            $findings->raise('outlet-limits', ['outlet_kw' => $outletKw, 'power_kw' => $powerKw]);
        }
        if ($in->isSplit() && Tolerance::isBelow(2 * $legKw, min($powerKw, $outletKw ?? INF))) {
            $findings->raise('leg-limits', ['leg_kw' => $legKw]);
        }

        return $findings;
    }
}
