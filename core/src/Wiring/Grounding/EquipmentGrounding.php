<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\EgcTable;
use Escapement\Core\Wiring\Sizes;

/**
 * The equipment grounding conductor: by its device, larger where the ungrounded conductors were made larger. Rule:
 * docs/rules.md#grounding.
 */
final readonly class EquipmentGrounding
{
    public function size(EgcInput $in, Findings $findings, Working $working): EgcResult
    {
        $base = EgcTable::egc($in->ocpdA, $in->material);
        $ratio = $this->ratio($in, $findings);
        $needed = Sizes::kcmil($base) * $ratio;
        $byRatio = Sizes::ofArea($needed);
        $capped = $this->capped($in, $byRatio);
        $size = $capped ?? $byRatio;
        $working->add(
            'Grounding conductor',
            sprintf('%s for %g A, × %.4g for larger conductors', $base, $in->ocpdA, $ratio),
            $needed,
            'kcmil',
        );
        $isOk = $in->egcSize === null
            ? null
            : $size !== null && RelativeTolerance::isAtLeast(Sizes::kcmil($in->egcSize), Sizes::kcmil($size));
        if ($isOk === false) {
            $findings->raise('egc-too-small', ['given' => $in->egcSize, 'size' => $size]);
        }
        if ($size === null) {
            $findings->raise('egc-over-table');
        } elseif (RelativeTolerance::isOver(Sizes::kcmil($size), Sizes::kcmil($base))) {
            $findings->raise('egc-upsized', ['base' => $base, 'size' => $size]);
        }
        if ($capped !== null) {
            $findings->raise('egc-capped');
        }
        if ($in->raceways > 1) {
            $findings->raise('parallel-egc-each-raceway');
        }

        return new EgcResult($base, $ratio, $needed, $size, $capped !== null, $in->raceways, $isOk);
    }

    /** A shortfall is reported by its finding; the calculation goes on with 1. */
    private function ratio(EgcInput $in, Findings $findings): float
    {
        if ($in->installedSize === null || $in->minSize === null) {
            return 1.0;
        }
        $raw = Sizes::kcmil($in->installedSize) * $in->sets / (Sizes::kcmil($in->minSize) * $in->minSets);
        if (RelativeTolerance::isAtLeast($raw, 1)) {
            return $raw;
        }
        $findings->raise('ungrounded-below-minimum');

        return 1.0;
    }

    /** It need not be larger than the ungrounded conductors of its raceway; null where that changes nothing. */
    private function capped(EgcInput $in, ?string $size): ?string
    {
        if ($in->installedSize === null || $in->ungroundedMaterial !== $in->material) {
            return null;
        }
        $cap = Sizes::kcmil($in->installedSize) * $in->sets / $in->raceways;

        return RelativeTolerance::isOver($size === null ? INF : Sizes::kcmil($size), $cap) ? Sizes::ofArea($cap) : null;
    }
}
