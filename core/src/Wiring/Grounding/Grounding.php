<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\EgcTable;
use Escapement\Core\Wiring\Sizes;
use Escapement\Core\Wiring\WiringFields;

/**
 * Equipment grounding, grounding electrode and bonding conductors, and the least grounded conductor of a service. Rule:
 * docs/rules.md#grounding.
 */
final readonly class Grounding
{
    /** The electrode's own limit: a rod, or steel in concrete, takes no more than this carries away. */
    private const CAPS = ['rod' => ['cu' => '6', 'al' => '4'], 'concrete_encased' => ['cu' => '4', 'al' => '2']];

    /** The smallest conductor that may be run in parallel. */
    private const LEAST_PARALLEL = '1/0';

    public function size(GroundingInput $in): GroundingResult
    {
        $findings = new Findings();
        $working = new Working();
        $egc = $in->egc === null ? null : (new EquipmentGrounding())->size($in->egc, $findings, $working);
        $gec = $in->gec === null ? null : $this->electrode($in->gec, $findings, $working);
        $jumper = $in->bondingJumper === null ? null : $this->jumper($in->bondingJumper, $findings, $working);
        $grounded = $in->groundedConductor === null ? null : $this->grounded($in->groundedConductor, $findings, $working);
        WiringFields::confirm($findings);

        return new GroundingResult($egc, $gec, $jumper, $grounded, ! $findings->hasStop(), $findings->worstFirst(), $working->lines);
    }

    private function electrode(GecInput $in, Findings $findings, Working $working): GecResult
    {
        $total = Sizes::kcmil($in->ungroundedSize) * $in->sets;
        $table = EgcTable::byConductors($total, $in->ungroundedMaterial, $in->material) ?? EgcTable::largest($in->material);
        $cap = self::CAPS[$in->electrode][$in->material] ?? null;
        $size = $cap !== null && ! Sizes::isAtLeast($cap, $table) ? $cap : $table;
        $working->add(
            'Electrode conductor',
            sprintf('%g kcmil of conductors, to a %s', $total, str_replace('_', ' ', $in->electrode)),
            $size,
            '',
        );
        $isOk = self::isEnough($in->installedSize, $size);
        if ($isOk === false) {
            $findings->raise('gec-too-small', ['installed' => $in->installedSize, 'size' => $size]);
        }
        if ($in->material === 'al' && $in->electrode === 'concrete_encased') {
            $findings->raise('aluminium-in-concrete');
        }
        if ($in->material === 'al' && $in->electrode === 'rod') {
            $findings->raise('aluminium-near-earth');
        }

        return new GecResult($total, $table, $size, $isOk);
    }

    private function jumper(FaultPathInput $in, Findings $findings, Working $working): FaultPathResult
    {
        [$size, $rule] = $this->byConductors($in, $findings);
        $working->add('Bonding jumper', self::source($in, $rule), $size, '');
        $isOk = self::isEnough($in->installedSize, $size);
        if ($isOk === false) {
            $findings->raise('bonding-jumper-too-small', ['installed' => $in->installedSize, 'size' => $size]);
        }

        return new FaultPathResult($in->kcmil(), $size, $in->raceways, $rule, $isOk);
    }

    private function grounded(FaultPathInput $in, Findings $findings, Working $working): FaultPathResult
    {
        [$size, $rule] = $this->byConductors($in, $findings);
        $isLarger = RelativeTolerance::isOver($size === null ? INF : Sizes::kcmil($size), $in->kcmil());
        if ($in->material === $in->ungroundedMaterial && $isLarger && ($asUngrounded = Sizes::ofArea($in->kcmil())) !== null) {
            [$size, $rule] = [$asUngrounded, 'ungrounded'];
        }
        if ($in->raceways > 1 && $size !== null && RelativeTolerance::isOver(Sizes::kcmil(self::LEAST_PARALLEL), Sizes::kcmil($size))) {
            [$size, $rule] = [self::LEAST_PARALLEL, 'parallel'];
        }
        $working->add('Grounded conductor at least', self::source($in, $rule), $size, '');
        $isOk = self::isEnough($in->installedSize, $size);
        if ($isOk === false) {
            $findings->raise('grounded-conductor-too-small', ['installed' => $in->installedSize, 'size' => $size]);
        }
        $findings->raise('grounded-conductor-load-too');

        return new FaultPathResult($in->kcmil(), $size, $in->raceways, $rule, $isOk);
    }

    /** @return array{?string, '12.5pct'|'table'} */
    private function byConductors(FaultPathInput $in, Findings $findings): array
    {
        $byTable = EgcTable::byConductors($in->kcmil(), $in->ungroundedMaterial, $in->material);
        if ($byTable !== null) {
            return [$byTable, 'table'];
        }
        if ($in->material !== $in->ungroundedMaterial) {
            $findings->raise('mixed-material-jumper');
        }

        return [Sizes::ofArea(0.125 * $in->kcmil()), '12.5pct'];
    }

    private static function source(FaultPathInput $in, string $rule): string
    {
        return match ($rule) {
            'table' => sprintf('by the table for %g kcmil', $in->kcmil()),
            '12.5pct' => sprintf('12.5 %% of %g kcmil', $in->kcmil()),
            'ungrounded' => sprintf('no larger than the %g kcmil of its ungrounded conductors', $in->kcmil()),
            default => 'the smallest that may be run in parallel',
        };
    }

    private static function isEnough(?string $installed, ?string $size): ?bool
    {
        return $installed === null ? null : $size !== null && RelativeTolerance::isAtLeast(Sizes::kcmil($installed), Sizes::kcmil($size));
    }
}
