<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\NeutralEarth;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Topology\PlacedFindings;

/** What stands against the neutrals and earths of a changeover. Rule: docs/rules.md#neutral-earth. */
final readonly class NeutralEarthFindings
{
    private const SEEN_SHARE = 0.9;
    private const OVERVOLTAGE = 1.1;

    private PlacedFindings $findings;

    public function __construct(private NeutralEarthInput $in)
    {
        $this->findings = new PlacedFindings();
    }

    /**
     * @param list<EarthPosition> $positions
     * @param null|list<float>    $openNeutralV
     *
     * @return list<Finding>
     */
    public function all(array $positions, ?array $openNeutralV): array
    {
        foreach ($positions as $position) {
            if ($position->position === 'overlap') {
                if ($position->verdict === 'several') {
                    $this->findings->raise('neutral-overlap-joins');
                }
                continue;
            }
            if ($position->verdict === 'none') {
                $this->findings->raise('no-earth-return', $position->position);
            } elseif ($position->verdict === 'several') {
                $this->findings->raise('circulating-neutral-current', $position->position);
            }
        }
        foreach ($this->in->sources as $source) {
            if ($source->pickupA !== null) {
                $this->groundFault($source, $source->pickupA, $positions);
            }
            $this->derived($source);
        }
        $this->poles($openNeutralV);
        $this->findings->raise('confirm-code');

        return $this->findings->sorted();
    }

    /** @param list<EarthPosition> $positions */
    private function groundFault(EarthedSource $source, float $pickupA, array $positions): void
    {
        foreach ($positions as $position) {
            $isActive = $position->active === $source->id;
            $stray = $isActive ? abs($position->strayA ?? $this->in->loadNeutralA) : $position->otherNeutralA ?? 0.0;
            $isReached = RelativeTolerance::isAtLeast($stray, $pickupA);
            $isOverlap = $position->position === 'overlap';
            if ($isReached && ! $isOverlap) {
                $this->findings->raise('gfp-nuisance', $source->id);
            } elseif ($isReached && $this->in->overlapMs >= $source->delayMs) {
                $this->findings->raise('overlap-longer-than-gfp', $source->id);
            }
            if ($isActive && ! $isOverlap) {
                $this->seenFault($source, $pickupA, $position);
            }
        }
    }

    /** A fault whose current comes back past the transformer in part is seen in part. */
    private function seenFault(EarthedSource $source, float $pickupA, EarthPosition $position): void
    {
        if ($position->sensedFraction === null || ! RelativeTolerance::isOver(self::SEEN_SHARE, $position->sensedFraction)) {
            return;
        }
        $this->findings->raise('gfp-desensitised', $source->id);
        $isUnseen = RelativeTolerance::isOver($pickupA, (float) $position->sensedA);
        if ($isUnseen && RelativeTolerance::isAtLeast($position->faultA, $pickupA)) {
            $this->findings->raise('gfp-blind', $source->id);
        }
    }

    private function derived(EarthedSource $source): void
    {
        if ($this->in->wording !== 'nec' || ! $source->isGenerator) {
            return;
        }
        if (! $this->in->isFourPole && $source->isEarthed) {
            $this->findings->raise('bond-on-nonseparate', $source->id);
        }
        if ($this->in->isFourPole && ! $source->isEarthed && ! $this->in->hasPanelBond) {
            $this->findings->raise('separately-derived-unbonded', $source->id);
        }
    }

    /** @param null|list<float> $openNeutralV */
    private function poles(?array $openNeutralV): void
    {
        $in = $this->in;
        if ($in->isSwapped) {
            $this->findings->raise($in->isFourPole ? 'neutrals-swapped' : 'neutrals-swapped-joined');
        }
        if ($in->isFourPole) {
            $this->fourPoles($openNeutralV ?? []);
        } elseif ($in->wording === 'iec_tt') {
            $this->findings->raise('three-pole-on-tt', severity: Severity::Warn);
        }
    }

    /** @param list<float> $openNeutralV */
    private function fourPoles(array $openNeutralV): void
    {
        if ($this->in->sequence === 'late') {
            $this->findings->raise('neutral-late');
            $mostV = max([0.0, ...$openNeutralV]);
            if (RelativeTolerance::isOver($mostV, self::OVERVOLTAGE * $this->in->sources[0]->vLn)) {
                $this->findings->raise('open-neutral-overvoltage', figures: ['v' => $mostV]);
            }
        } elseif ($this->in->sequence === 'simultaneous') {
            $this->findings->raise('neutral-simultaneous');
        }
        if ($this->in->wording === 'iec_tn_c_s') {
            $this->findings->raise('pen-not-switched');
        }
    }
}
