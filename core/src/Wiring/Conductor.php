<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;

/**
 * Picks a feeder or circuit conductor, or checks the one on the truck: load, heat, bundling, terminals, device. Rule:
 * docs/rules.md#conductor.
 */
final readonly class Conductor
{
    public function size(ConductorInput $in): ConductorResult
    {
        $need = new ConductorNeed($in);
        $figures = $in->size === null ? $need->smallest() : $need->figures($in->size);
        $findings = new Findings();
        if ($figures === null) {
            $findings->raise('no-size-fits');
        } else {
            $this->judgeSize($need, $figures, $findings);
            $this->judgeDevice($need, $figures, $findings);
        }
        $this->judgeCircuit($need, $findings);
        $this->judgeCable($in, $figures, $findings);
        WiringFields::closing($findings, $in->material);

        return new ConductorResult(
            $in->size === null ? 'choose' : 'check',
            $figures?->size,
            $in->sets,
            $need->terminalC,
            $figures?->tableInsulationA,
            $figures?->tableTerminalA,
            $need->ambientFactor,
            $need->adjustmentFactor,
            $figures?->correctedA,
            $figures?->terminalA,
            $figures?->ampacityA,
            $need->loadA,
            $need->requiredA,
            $need->requiredTerminalA,
            $need->requiredCorrectedA,
            $need->ocpdA,
            $figures?->ocpdMaxA(),
            ! $findings->hasStop(),
            $findings->worstFirst(),
            $this->working($need, $figures)->lines,
        );
    }

    private function judgeSize(ConductorNeed $need, ConductorFigures $figures, Findings $findings): void
    {
        if (RelativeTolerance::isOver($need->requiredTerminalA, $figures->terminalA)) {
            $findings->raise('terminal-too-hot', ['terminal' => $figures->terminalA, 'needed_terminal_a' => $need->requiredTerminalA]);
        }
        if (RelativeTolerance::isOver($need->requiredCorrectedA, $figures->correctedA)) {
            $findings->raise('ampacity-too-low', ['carried_a' => $figures->correctedA, 'needed_a' => $need->requiredCorrectedA]);
        }
        if ($need->in->sets > 1 && ! Sizes::isAtLeast($figures->size, '1/0')) {
            $findings->raise('parallel-too-small');
        }
    }

    private function judgeDevice(ConductorNeed $need, ConductorFigures $figures, Findings $findings): void
    {
        $ocpdA = $need->ocpdA;
        $isOverBase = RelativeTolerance::isOver($ocpdA, $figures->baseA);
        if ($isOverBase) {
            $findings->raise('ocpd-too-large', ['ocpd_a' => $ocpdA, 'carried_a' => $figures->ampacityA]);
        }
        if ($figures->smallCapA !== null && RelativeTolerance::isOver($ocpdA, $figures->smallCapA)) {
            $findings->raise('small-conductor-limit', ['size' => $figures->size, 'cap' => $figures->smallCapA]);
        }
        if ($isOverBase) {
            return;
        }
        if ($need->in->maxOcpdA !== null) {
            $ordinaryA = min(Ampacity::roundUp($figures->ampacityA), Ampacity::smallCap($need->in->material, $figures->size) ?? INF);
            if (RelativeTolerance::isOver($ocpdA, $ordinaryA)) {
                $findings->raise(
                    'nameplate-ocpd-used',
                    ['ocpd_a' => $ocpdA, 'max_ocpd_a' => $need->in->maxOcpdA, 'ordinary_a' => $ordinaryA],
                );
            }
        } elseif (! $need->is83 && RelativeTolerance::isOver($ocpdA, $figures->ampacityA)) {
            $findings->raise('next-size-up-used', ['ocpd_a' => $ocpdA, 'ampacity' => $figures->ampacityA]);
        }
    }

    private function judgeCircuit(ConductorNeed $need, Findings $findings): void
    {
        $in = $need->in;
        if ($need->ambientFactor === 0.0) {
            $findings->raise('ambient-too-hot', ['ambient_c' => $in->ambientC]);
        }
        WiringFields::ocpdFindings($findings, $need->ocpdA, $need->requiredA, $in->ocpdA !== null && ! StandardSizes::has($need->ocpdA));
        if ($in->isDwelling) {
            $findings->raise($need->is83 ? 'dwelling-83-used' : 'dwelling-83-not-applicable', ['ocpd_a' => $need->ocpdA]);
        }
        if ($in->isSmallConductorExempt && $in->maxOcpdA === null) {
            $findings->raise('nameplate-ocpd-missing');
        }
        if ($in->terminalC === null) {
            $findings->raise('terminal-assumed', ['terminal_c' => $need->terminalC]);
        }
    }

    private function judgeCable(ConductorInput $in, ?ConductorFigures $figures, Findings $findings): void
    {
        $columnC = $figures === null ? $in->cable->columnC('750', false) : $figures->columnC;
        if ($columnC === 60 && $in->insulationC > 60 && (new ConductorNeed($in))->terminalC > 60) {
            $findings->raise('cable-60c');
        }
        if ($in->cable->isForbidden($in->location)) {
            $findings->raise('cable-not-for-location');
        }
        if ($in->cable->asksForListing($in->location)) {
            $findings->raise('cable-listing-for-location');
        }
        if ($in->cable === Cable::Raceway && $in->location !== Location::Dry && $in->insulationC === 90) {
            $findings->raise('wet-rating-mark');
        }
        if ($in->cable === Cable::Seu) {
            $findings->raise('seu-bare-neutral');
        }
    }

    private function working(ConductorNeed $need, ?ConductorFigures $figures): Working
    {
        $in = $need->in;
        $working = new Working();
        $load = sprintf('%s × %g + %g', $in->isOcpd100Rated ? '1' : '1.25', $in->continuousA, $in->noncontinuousA);
        $working->add('Load with 125 % of continuous', $load, $need->requiredA, 'A');
        if ($figures !== null) {
            $corrected = sprintf(
                '%g A × %g ambient × %g bundling × %d',
                $figures->tableInsulationA,
                $need->ambientFactor,
                $need->adjustmentFactor,
                $in->sets,
            );
            $working->add('Corrected ampacity', $corrected, $figures->correctedA, 'A');
            $terminal = sprintf('%g A × %d, %d °C', $figures->tableTerminalA, $in->sets, $figures->atC);
            $working->add('Terminal ampacity', $terminal, $figures->terminalA, 'A');
        }
        $working->add('Overcurrent device', match (true) {
            $in->ocpdA !== null => 'as given',
            $in->maxOcpdA !== null => sprintf('the largest standard size up to the nameplate\'s %g A', $in->maxOcpdA),
            default => 'the smallest standard size that carries it',
        }, $need->ocpdA, 'A');

        return $working;
    }
}
