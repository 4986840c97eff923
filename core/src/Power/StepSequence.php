<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\Tolerance;

/** The order in which shed loads come back, so that each start and the running kW stay within limits. Rule: docs/rules.md#step-sequence. */
final readonly class StepSequence
{
    /** What general loads stand at most while a motor starts, in percent. Rule: docs/rules.md#motor-start. */
    public const DIP_LIMIT_PCT = 30.0;

    public function answer(Node $input): CalculationResult
    {
        $in = (new Fields($input))->only([
            'usable_kw', 'base_kw', 'k_kva', 'dip_limit_pct', 'max_start_kva', 'first_step_s', 'step_s', 'dark_s', 'loads',
        ]);
        $usableKw = $in->np('usable_kw');
        $baseKw = $in->n0('base_kw', 0.0);
        $kKva = $in->np('k_kva');
        $limitPct = $in->number('dip_limit_pct', 1, 60, self::DIP_LIMIT_PCT);
        $maxStartKva = $in->maybeNp('max_start_kva');
        $firstS = $in->n0('first_step_s', 10.0);
        $stepS = $in->np('step_s', 10.0);
        $darkS = $in->n0('dark_s', 0.0);
        /** @var list<array{id: string, kw: float, start: float, priority: int, compressor: bool, lockout: float, mustRun: bool}> $loads */
        $loads = $in->each('loads', 0, 200, static function (Fields $one): array {
            $one->only(['id', 'kw', 'start_kva', 'priority', 'compressor', 'lockout_s', 'must_run']);
            $read = [
                'id' => $one->text('id'),
                'kw' => $one->n0('kw'),
                'start' => $one->n0('start_kva', 0.0),
                'priority' => $one->int('priority', 1, 99, 50),
                'compressor' => $one->bool('compressor', false),
            ];

            return $read + [
                'lockout' => $one->n0('lockout_s', $read['compressor'] ? 180.0 : 0.0),
                'mustRun' => $one->bool('must_run', false),
            ];
        }, isOptional: false);
        $in->close();

        $ordered = $loads;
        usort(
            $ordered,
            static fn(array $a, array $b): int => [
                $a['priority'],
                $b['start'],
                $b['kw'],
                $a['id'],
            ] <=> [$b['priority'], $a['start'], $a['kw'], $b['id']],
        );
        $dip = static fn(float $startKva): float => 100 * $startKva / ($startKva + $kKva);
        $reasons = [];
        foreach ($ordered as $load) {
            if (Tolerance::exceeds($dip($load['start']), $limitPct)
                || $maxStartKva !== null
                && Tolerance::exceeds($load['start'], $maxStartKva)) {
                $reasons[$load['id']] = 'start';
            }
        }
        $remaining = array_values(array_filter($ordered, static fn(array $load): bool => ! isset($reasons[$load['id']])));
        $runningKw = $baseKw;
        $timeline = [];
        for ($slot = 0; $remaining !== []; $slot++) {
            $t = $firstS + $slot * $stepS;
            foreach ($remaining as $i => $load) {
                if ($load['kw'] > 0 && Tolerance::exceeds($runningKw + $load['kw'], $usableKw)) {
                    $reasons[$load['id']] = 'kw';
                    unset($remaining[$i]);
                }
            }
            $remaining = array_values($remaining);
            $heldKw = 0.0;
            $soonestS = INF;
            foreach ($remaining as $i => $load) {
                if (Tolerance::exceeds($load['lockout'] - $darkS, $t)) {
                    $heldKw += $load['kw'];
                    $soonestS = min($soonestS, $load['lockout'] - $darkS);
                    continue;
                }
                if ($load['kw'] === 0.0 || ! Tolerance::exceeds($runningKw + $heldKw + $load['kw'], $usableKw)) {
                    $runningKw += $load['kw'];
                    $timeline[] = [
                        'step' => count($timeline) + 1,
                        't_s' => $t,
                        'id' => $load['id'],
                        'start_kva' => $load['start'],
                        'dip_pct' => $dip($load['start']),
                        'running_kw' => $runningKw,
                    ];
                    unset($remaining[$i]);
                    $remaining = array_values($remaining);
                    continue 2;
                }
            }
            if ($soonestS < INF) { // nothing happens before the first lock-out ends: no need to look at every slot until then
                $slot = max($slot, (int) floor(($soonestS - $firstS) / $stepS) - 2);
            }
        }
        $findings = $this->judge($loads, $reasons, $baseKw, $usableKw, $firstS, $stepS);
        $working = new Working();
        $working->add(
            'Largest start allowed',
            sprintf('%.4g kVA × %g / (100 − %g)', $kKva, $limitPct, $limitPct),
            min($kKva * $limitPct / (100 - $limitPct), $maxStartKva ?? INF),
            'kVA',
        );
        $working->add('Running at the end', sprintf('%g kW base and %d loads', $baseKw, count($timeline)), $runningKw, 'kW');
        $notReturned = array_values(array_filter($ordered, static fn(array $load): bool => isset($reasons[$load['id']])));

        return new CalculationResult([
            'order' => array_column($timeline, 'id'), 'timeline' => $timeline,
            'not_returned' => array_map(
                static fn(array $load): array => ['id' => $load['id'], 'reason' => $reasons[$load['id']]],
                $notReturned,
            ),
            'final_kw' => $runningKw,
            'last_t_s' => $timeline === [] ? null : $timeline[count($timeline) - 1]['t_s'],
            'worst_dip_pct' => max([0, ...array_column($timeline, 'dip_pct')]),
        ], $findings->all(), $working->lines);
    }

    /**
     * @param list<array{id: string, kw: float, compressor: bool, lockout: float, mustRun: bool, ...}> $loads
     * @param array<string, string>                                                                    $reasons
     */
    private function judge(array $loads, array $reasons, float $baseKw, float $usableKw, float $firstS, float $stepS): Findings
    {
        $findings = new Findings();
        if (Tolerance::exceeds($baseKw, $usableKw)) {
            $findings->raise('base-overload', ['base_kw' => $baseKw, 'usable_kw' => $usableKw]);
        }
        foreach ($loads as $load) {
            if (isset($reasons[$load['id']])) {
                $why = $reasons[$load['id']] === 'start'
                    ? 'Its start pulls the voltage down too far.'
                    : 'Its kW do not fit beside what runs.';
                $findings->raise($load['mustRun'] ? 'must-run-not-returned' : 'load-not-returned', ['why' => $why], [$load['id']]);
            }
            if ($load['compressor'] && Tolerance::isBelow($load['lockout'], 180)) {
                $findings->raise('lockout-short', [], [$load['id']]);
            }
        }
        if (Tolerance::isBelow($stepS, 5) && count($loads) >= 2) {
            $findings->raise('step-short', ['step_s' => $stepS]);
        }
        if (Tolerance::isBelow($firstS, 5) && $loads !== []) {
            $findings->raise('first-step-short', ['first_s' => $firstS]);
        }

        return $findings;
    }
}
