<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Input\Tolerance;

/** What the readings of a panel meter say. Rule: docs/rules.md#three-phase-meter. */
final readonly class MeterFindings
{
    private Findings $findings;

    public function __construct(private MeterInput $in)
    {
        $this->findings = new Findings();
    }

    /** @return list<Finding> */
    public function all(
        float $kw,
        float $vUnbalance,
        ?float $ctLoad,
        ?string $rotation,
        ?float $neutral,
        ?CtDiagnosisResult $diagnosis,
    ): array {
        if ($diagnosis !== null) {
            $this->transformers($diagnosis, $rotation);
        }
        $this->scale();
        if (Tolerance::isBelow($kw, 0)) {
            $this->findings->raise('kw-negative');
        }
        $this->load($ctLoad);
        if ($rotation === 'undetermined') {
            $this->findings->raise('rotation-undetermined');
        } elseif ($rotation !== null && $rotation !== $this->in->expected) {
            $this->findings->raise('rotation-wrong');
        }
        if (Tolerance::exceeds($vUnbalance, 5)) {
            $this->findings->raise('v-unbalance-high', ['pct' => $vUnbalance]);
        } elseif (Tolerance::exceeds($vUnbalance, 2)) {
            $this->findings->raise('three-phase-meter/v-unbalance', ['pct' => $vUnbalance]);
        }
        $iUnbalance = Angles::unbalancePct($this->in->currents());
        if (Tolerance::exceeds($iUnbalance, 20)) {
            $this->findings->raise('i-unbalance', ['pct' => $iUnbalance]);
        }
        $this->neutral($neutral);

        return $this->findings->worstFirst();
    }

    private function scale(): void
    {
        $factor = $this->in->factor();
        if (Tolerance::exceeds($factor, 1) || Tolerance::isBelow($factor, 1)) {
            $this->findings->raise('ct-ratio-mismatch', ['factor' => $factor]);
        }
        $kva = $this->in->kva();
        foreach ($this->in->kwMeter === null ? [] : $this->in->kw() as $i => $one) {
            if (Tolerance::exceeds(abs($one), 1.03 * $kva[$i] + 0.001)) {
                $this->findings->raise('kw-over-kva', [], [$i + 1]);
            }
        }
    }

    private function transformers(CtDiagnosisResult $diagnosis, ?string $rotation): void
    {
        if ($diagnosis->hasReversed()) {
            $this->findings->raise('ct-reversed');
        }
        if ($diagnosis->wrongPhases() > 0) {
            $isSupply = in_array($rotation, ['abc', 'acb'], true) && $rotation !== $this->in->expected
                && ! $diagnosis->hasReversed() && $diagnosis->wrongPhases() === 2;
            $this->findings->raise('ct-wrong-phase');
            $this->findings->raise('voltage-leads', severity: $isSupply ? Severity::Warn : Severity::Note);
        }
        if ($diagnosis->alternatives !== []) {
            $this->findings->raise('ct-ambiguous');
        }
        if ($diagnosis->status === 'undetermined') {
            $this->findings->raise('ct-undetermined');
        }
    }

    private function load(?float $ctLoad): void
    {
        if ($ctLoad === null) {
            return;
        }
        if (Tolerance::exceeds($ctLoad, 100)) {
            $this->findings->raise('ct-overrange', ['pct' => $ctLoad]);
        }
        if (Tolerance::isBelow($ctLoad, 20) && Tolerance::exceeds($ctLoad, 0)) {
            $this->findings->raise('ct-oversized', ['pct' => $ctLoad]);
        }
        $this->findings->raise('ct-secondary');
    }

    private function neutral(?float $calculated): void
    {
        $measured = $this->in->neutralA;
        if ($measured === null) {
            return;
        }
        $currents = $this->in->currents();
        if (Tolerance::exceeds($measured, max([0.0, ...$currents]))) {
            $this->findings->raise('three-phase-meter/neutral-over-leg');
        } elseif ($calculated !== null && Tolerance::exceeds($measured - $calculated, 0.2 * array_sum($currents) / 3)) {
            $this->findings->raise('neutral-harmonics');
        }
    }
}
