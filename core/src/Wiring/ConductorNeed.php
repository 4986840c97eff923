<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/** What a circuit asks of its conductors, and how far a size goes. Rule: docs/rules.md#conductor. */
final readonly class ConductorNeed
{
    public float $loadA;
    public float $requiredA;
    public float $ocpdA;
    public bool $is83;
    public int $terminalC;
    public float $ambientFactor;
    public float $adjustmentFactor;
    public float $requiredTerminalA;
    public float $requiredCorrectedA;

    public function __construct(public ConductorInput $in)
    {
        $this->loadA = $in->continuousA + $in->noncontinuousA;
        $this->requiredA = ($in->isOcpd100Rated ? 1 : 1.25) * $in->continuousA + $in->noncontinuousA;
        $this->ocpdA = $in->ocpdA ?? ($in->maxOcpdA === null
            ? Ampacity::nextOf(StandardSizes::AMPS, $this->requiredA)
            : StandardSizes::atMost($in->maxOcpdA));
        $this->is83 = Ampacity::is83($in->isDwelling, $this->ocpdA);
        $this->terminalC = Ampacity::terminal($in->terminalC, $this->ocpdA, $this->is83);
        $this->ambientFactor = Derating::ambient($in->insulationC, $in->ambientC, $in->isAmbientByFormula);
        $this->adjustmentFactor = $in->isNipple ? 1.0 : Derating::adjustment($in->currentCarrying);
        $this->requiredTerminalA = $this->is83 ? 0.83 * $this->ocpdA : $this->requiredA;
        $this->requiredCorrectedA = $this->is83 ? 0.83 * $this->ocpdA : ($in->isCombined ? $this->requiredA : $this->loadA);
    }

    public function figures(string $size): ConductorFigures
    {
        $in = $this->in;
        $columnC = $in->cable->columnC($size, $in->isInInsulation);
        $tableA = Ampacity::amps($in->material, $size, $in->insulationC);
        $atC = min($this->terminalC, $in->insulationC, $columnC ?? PHP_INT_MAX);
        $tableTerminalA = Ampacity::amps($in->material, $size, $atC);
        $correctedA = $tableA * $this->ambientFactor * $this->adjustmentFactor * $in->sets;
        $ampacityA = min($correctedA, $tableTerminalA * $in->sets);
        $hasOwnRule = $in->isSmallConductorExempt || $in->maxOcpdA !== null || $this->is83;

        return new ConductorFigures(
            $size,
            $tableA,
            $tableTerminalA,
            $atC,
            $columnC,
            $correctedA,
            $tableTerminalA * $in->sets,
            $ampacityA,
            (float) match (true) {
                $this->is83 => min(400, $ampacityA / 0.83),
                $in->maxOcpdA !== null => $in->maxOcpdA,
                $in->isMultiReceptacle => $ampacityA,
                default => Ampacity::roundUp($ampacityA),
            },
            $hasOwnRule ? null : Ampacity::smallCap($in->material, $size),
        );
    }

    public function isMetBy(ConductorFigures $figures): bool
    {
        return RelativeTolerance::isAtLeast($figures->terminalA, $this->requiredTerminalA)
            && RelativeTolerance::isAtLeast($figures->correctedA, $this->requiredCorrectedA)
            && RelativeTolerance::isAtLeast($figures->ocpdMaxA(), $this->ocpdA)
            && ($this->in->sets === 1 || Sizes::isAtLeast($figures->size, '1/0'));
    }

    /** The first size in order that carries it, up to the largest this cable is made in; null when none does. */
    public function smallest(): ?ConductorFigures
    {
        $largest = $this->in->cable->largestSize();
        foreach (Sizes::awg($this->in->material) as $size) {
            $figures = $this->figures($size);
            if ($this->isMetBy($figures)) {
                return $figures;
            }
            if ($size === $largest) {
                return null;
            }
        }

        return null;
    }
}
