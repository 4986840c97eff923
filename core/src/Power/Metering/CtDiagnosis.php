<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Metering;

/**
 * Tries every connection of three current transformers, six orders and eight polarities, and keeps those that the readings do not speak
 * against: by the angles, or by the power of each channel. Rule: docs/rules.md#three-phase-meter.
 */
final readonly class CtDiagnosis
{
    private const ORDERS = [[0, 1, 2], [0, 2, 1], [1, 0, 2], [1, 2, 0], [2, 0, 1], [2, 1, 0]];
    private const LEAST_LAG = -30;
    private const MOST_LAG = 60;
    private const SPREAD = 30;
    private const SLACK = 1e-6;
    private const POWER_ERROR = 0.1;
    private const MOST_ALTERNATIVES = 5;

    /** @param 'abc'|'acb' $order of the phases */
    public function __construct(private MeterInput $in, private string $order) {}

    public function result(): ?CtDiagnosisResult
    {
        $mode = $this->in->iDeg !== null ? 'angles' : ($this->in->kwMeter !== null ? 'power' : null);
        if ($mode === null) {
            return null;
        }
        if (in_array(0.0, $this->in->currents(), true) || in_array(0.0, $this->in->volts(), true)) {
            return new CtDiagnosisResult($mode, 'no_load');
        }
        $plausible = [];
        foreach (self::ORDERS as $phases) {
            for ($signs = 0; $signs < 8; $signs++) {
                $sign = [1 - 2 * ($signs >> 2 & 1), 1 - 2 * ($signs >> 1 & 1), 1 - 2 * ($signs & 1)];
                $error = $mode === 'angles' ? $this->angleError($phases, $sign) : $this->powerError($phases, $sign);
                if ($error !== null) {
                    $plausible[] = new CtHypothesis($phases, $sign, round($error, 6));
                }
            }
        }
        usort($plausible, static fn(CtHypothesis $a, CtHypothesis $b): int => $a->rank() <=> $b->rank());
        $best = $plausible[0] ?? null;
        if ($best === null) {
            return new CtDiagnosisResult($mode, 'undetermined');
        }
        $others = array_filter(array_slice($plausible, 1), static fn(CtHypothesis $one): bool => $one->cost() === $best->cost());

        return new CtDiagnosisResult(
            $mode,
            $best->cost() === 0 ? 'ok' : 'fault',
            $best->channels(),
            array_map(
                static fn(CtHypothesis $one): array => $one->channels(),
                array_slice(array_values($others), 0, self::MOST_ALTERNATIVES),
            ),
        );
    }

    /**
     * The spread of the lags; null where they are none that a load can have.
     *
     * @param array{int, int, int} $phases
     * @param array{int, int, int} $signs
     */
    private function angleError(array $phases, array $signs): ?float
    {
        $lags = [];
        foreach ($phases as $channel => $phase) {
            $lag = Angles::normal(
                ($this->in->vDeg[$phase] ?? 0.0) - ($this->in->iDeg[$channel] ?? 0.0) + ($signs[$channel] < 0 ? 180 : 0),
            );
            if ($lag < self::LEAST_LAG - self::SLACK || $lag > self::MOST_LAG + self::SLACK) {
                return null;
            }
            $lags[] = $lag;
        }
        $spread = max($lags) - min($lags);

        return $spread <= self::SPREAD + self::SLACK ? $spread : null;
    }

    /**
     * The least error over every lag of the load; null where none fits.
     *
     * @param array{int, int, int} $phases
     * @param array{int, int, int} $signs
     */
    private function powerError(array $phases, array $signs): ?float
    {
        $psi = $this->order === 'acb' ? [0, 120, -120] : [0, -120, 120];
        $kva = $this->in->kva();
        $kw = $this->in->kw();
        $best = INF;
        for ($lag = self::LEAST_LAG; $lag <= self::MOST_LAG; $lag++) {
            $worst = 0.0;
            foreach ($phases as $channel => $phase) {
                $predicted = $signs[$channel] * cos(deg2rad($lag + $psi[$channel] - $psi[$phase]));
                $worst = max($worst, abs($kw[$channel] / $kva[$channel] - $predicted));
            }
            $best = min($best, $worst);
        }

        return $best <= self::POWER_ERROR + 1e-9 ? $best : null;
    }
}
