<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** Ratio and wiring of the current transformers, unbalance, phase order and neutral. Rule: docs/rules.md#three-phase-meter. */
final readonly class ThreePhaseMeter
{
    private const ASSUMED_DEG = [0.0, -120.0, 120.0];

    public function read(MeterInput $in): MeterResult
    {
        $currents = $in->currents();
        $rotation = $in->vDeg === null ? null : Angles::rotation($in->vDeg);
        $order = in_array($rotation, ['abc', 'acb'], true) ? $rotation : $in->expected;
        $diagnosis = (new CtDiagnosis($in, $order))->result();
        [$vLl, $from] = $this->lineVolts($in);
        $phases = $this->phases($in);
        $neutral = $this->neutral($in, $diagnosis);
        $ctLoad = $in->ct === null ? null : 100 * max([0.0, ...$currents]) / $in->ct->primaryA;
        $working = new Working();
        $working->add('Every reading is to be multiplied by', 'true ratio ÷ ratio of the meter', $in->factor(), '');
        $working->add('Power', 'sum of the phases', array_sum(array_column($phases, 'kw')), 'kW');
        $total = $this->total($phases);
        $unbalance = Angles::unbalancePct($vLl);

        return new MeterResult(
            $currents,
            $phases,
            $total,
            $vLl,
            $from,
            $unbalance,
            Angles::unbalancePct($currents),
            $ctLoad,
            $in->factor(),
            $rotation,
            $neutral,
            $diagnosis,
            (new MeterFindings($in))->all($total['kw'] ?? 0.0, $unbalance, $ctLoad, $rotation, $neutral, $diagnosis),
            $working->lines,
        );
    }

    /** @return list<array{kva: float, kw: float, kvar: float}> */
    private function phases(MeterInput $in): array
    {
        $kw = $in->kw();
        $phases = [];
        foreach ($in->kva() as $i => $kva) {
            $kvar = sqrt(max(0.0, $kva ** 2 - $kw[$i] ** 2));
            $phases[] = ['kva' => $kva, 'kw' => $kw[$i], 'kvar' => $in->isLeading[$i] ? -$kvar : $kvar];
        }

        return $phases;
    }

    /**
     * @param list<array{kva: float, kw: float, kvar: float}> $phases
     *
     * @return array<string, ?float>
     */
    private function total(array $phases): array
    {
        $kw = array_sum(array_column($phases, 'kw'));
        $kvar = array_sum(array_column($phases, 'kvar'));
        $vector = hypot($kw, $kvar);
        $arith = array_sum(array_column($phases, 'kva'));
        $pf = static fn(float $kva): ?float => Tolerance::exceeds($kva, 0) ? $kw / $kva : null;

        return [
            'kw' => $kw, 'kvar' => $kvar, 'kva_vector' => $vector, 'kva_arith' => $arith, 'pf_vector' => $pf($vector),
            'pf_arith' => $pf($arith),
        ];
    }

    /** @return array{list<float>, 'angles'|'assumed'|'measured'} */
    private function lineVolts(MeterInput $in): array
    {
        if ($in->vLlV !== null) {
            return [$in->vLlV, 'measured'];
        }
        $volts = $in->volts();
        $deg = $in->vDeg ?? self::ASSUMED_DEG;
        $lines = [];
        foreach ([[0, 1], [1, 2], [2, 0]] as [$a, $b]) {
            $lines[] = Angles::sum([$volts[$a], -$volts[$b]], [$deg[$a], $deg[$b]]);
        }

        return [$lines, $in->vDeg === null ? 'assumed' : 'angles'];
    }

    /** Of the currents as they truly flow; third harmonics are not in it. */
    private function neutral(MeterInput $in, ?CtDiagnosisResult $diagnosis): ?float
    {
        if ($in->vV === null) {
            return null;
        }
        $deg = [];
        foreach ([0, 1, 2] as $i) {
            $lag = rad2deg(acos($in->pf[$i]));
            $deg[] = $in->iDeg === null
                ? ($in->vDeg ?? self::ASSUMED_DEG)[$i] + ($in->isLeading[$i] ? $lag : -$lag)
                : $in->iDeg[$i] + (($diagnosis->channels[$i] ?? null)?->reversed === true ? 180 : 0);
        }

        return Angles::sum($in->currents(), $deg);
    }
}
