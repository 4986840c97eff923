<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;

/** Does the far end get enough voltage, and how long may the run be. Rule: docs/rules.md#voltage-drop. */
final readonly class VoltageDrop
{
    public const METRES_PER_FOOT = 0.3048;

    /** Above it contactors chatter and electronics drop out. */
    private const SEVERE_PCT = 10;

    public function judge(VoltageDropInput $in): VoltageDropResult
    {
        $resistance = new Resistance($in->system, $in->material, $in->method, $in->conductorTempC, $in->conduit);
        $drop = $this->drop($in, $resistance, $in->size);
        $pct = $drop->percent();
        $minSize = null;
        foreach ($resistance->sizes(in_array($in->size, Sizes::CONTROL, true)) as $candidate) {
            if (RelativeTolerance::isAtLeast($in->limitPct, $this->drop($in, $resistance, $candidate)->percent())) {
                $minSize = $candidate;
                break;
            }
        }
        $findings = $this->findings($in, $drop, $minSize);
        $ohms = $resistance->along($in->size, $in->pf) / $in->sets;
        $working = new Working();
        $working->add(
            'Ohms of one conductor',
            sprintf('%.4g Ω per 1000 ft × %g ft / %d', $ohms * $in->sets, $in->lengthFt, $in->sets),
            $ohms / 1000 * $in->lengthFt,
            'Ω',
        );
        $working->add('Drop', 'the largest of all', $pct, '%');
        $maxFt = $in->lengthFt * $in->limitPct / $pct;

        return new VoltageDropResult(
            $resistance->perKft($in->size),
            $resistance->perKm($in->size),
            $resistance->reactancePerKft($in->size),
            $resistance->reactancePerKm($in->size),
            $in->lengthFt,
            $in->lengthFt * self::METRES_PER_FOOT,
            $pct,
            $pct + $in->upstreamDropPct,
            $maxFt,
            $maxFt * self::METRES_PER_FOOT,
            $minSize,
            ! $findings->hasStop(),
            $drop,
            $findings->worstFirst(),
            $working->lines,
        );
    }

    private function drop(VoltageDropInput $in, Resistance $resistance, string $size): LegDrop|LineDrop
    {
        $ohms = static fn(string $of): float => $resistance->along($of, $in->pf) / $in->sets / 1000 * $in->lengthFt;

        return $in->circuit === 'split_phase'
            ? new LegDrop($in->v, $in->amps[0], $in->amps[1] ?? 0.0, $ohms($size), $ohms($in->neutralSize ?? $size))
            : new LineDrop($in->circuit === 'three_phase', $in->v, $in->amps[0] ?? 0.0, $ohms($size));
    }

    private function findings(VoltageDropInput $in, LegDrop|LineDrop $drop, ?string $minSize): Findings
    {
        $findings = new Findings();
        $pct = $drop->percent();
        $totalPct = $pct + $in->upstreamDropPct;
        if (RelativeTolerance::isOver($pct, self::SEVERE_PCT)) {
            $findings->raise('voltage-drop/drop-severe', ['drop_pct' => $pct]);
        }
        if (RelativeTolerance::isOver($pct, $in->limitPct)) {
            $findings->raise('voltage-drop/drop-over-limit', ['drop_pct' => $pct, 'limit_pct' => $in->limitPct, 'min_size' => $minSize]);
        }
        if (RelativeTolerance::isOver($totalPct, $in->totalLimitPct)) {
            $findings->raise('total-drop-over-limit', ['total' => $totalPct, 'total_limit_pct' => $in->totalLimitPct]);
        }
        $isLarge = $in->system === 'iec'
            ? (float) $in->size >= 120
            : ! in_array($in->size, Sizes::CONTROL, true) && Sizes::isAtLeast($in->size, '4/0');
        if ($in->method !== 'impedance' && $isLarge) {
            $findings->raise('reactance-ignored');
        }
        if ($drop->hasRise()) {
            $findings->raise('leg-voltage-rise');
        }

        return $findings;
    }
}
