<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Calc\Answer;
use Escapement\Core\Calc\Findings;
use Escapement\Core\Calc\Working;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Wire\Fields;
use Escapement\Core\Wire\Node;

/** The order in which shed loads come back, so that each start and the running kW stay within limits. Rule: loads §5. */
final readonly class StepSequence
{
    public function answer(Node $input): Answer
    {
        $in = new Fields($input);
        $usableKw = $in->np('usable_kw');
        $baseKw = $in->n0('base_kw', 0.0);
        $kKva = $in->np('k_kva');
        $limitPct = $in->number('dip_limit_pct', 1, 60, 20.0);
        $maxStartKva = $in->maybeNp('max_start_kva');
        $firstS = $in->n0('first_step_s', 10.0);
        $stepS = $in->np('step_s', 10.0);
        $darkS = $in->n0('dark_s', 0.0);
        /** @var list<array{id: string, kw: float, start: float, priority: int, compressor: bool, lockout: float, mustRun: bool}> $loads */
        $loads = $in->each('loads', 0, 200, static function (Fields $one): array {
            $read = ['id' => $one->text('id'), 'kw' => $one->n0('kw'), 'start' => $one->n0('start_kva', 0.0), 'priority' => $one->int('priority', 1, 99, 50), 'compressor' => $one->bool('compressor', false)];

            return $read + ['lockout' => $one->n0('lockout_s', $read['compressor'] ? 180.0 : 0.0), 'mustRun' => $one->bool('must_run', false)];
        }, isOptional: false);
        $in->close();

        $ordered = $loads;
        usort($ordered, static fn(array $a, array $b): int => [$a['priority'], $b['start'], $b['kw']] <=> [$b['priority'], $a['start'], $a['kw']] ?: strcmp($a['id'], $b['id']));
        $dip = static fn(float $startKva): float => 100 * $startKva / ($startKva + $kKva);
        $reasons = [];
        foreach ($ordered as $load) {
            if (Slack::exceeds($dip($load['start']), $limitPct) || $maxStartKva !== null && Slack::exceeds($load['start'], $maxStartKva)) {
                $reasons[$load['id']] = 'start';
            }
        }
        $remaining = array_values(array_filter($ordered, static fn(array $load): bool => ! isset($reasons[$load['id']])));
        $runningKw = $baseKw;
        $timeline = [];
        for ($slot = 0; $remaining !== []; $slot++) {
            $t = $firstS + $slot * $stepS;
            foreach ($remaining as $i => $load) {
                if ($load['kw'] > 0 && Slack::exceeds($runningKw + $load['kw'], $usableKw)) {
                    $reasons[$load['id']] = 'kw';
                    unset($remaining[$i]);
                }
            }
            $remaining = array_values($remaining);
            $heldKw = 0.0;
            $soonestS = INF;
            foreach ($remaining as $i => $load) {
                if (Slack::exceeds($load['lockout'] - $darkS, $t)) {
                    $heldKw += $load['kw'];
                    $soonestS = min($soonestS, $load['lockout'] - $darkS);
                    continue;
                }
                if ($load['kw'] == 0.0 || ! Slack::exceeds($runningKw + $heldKw + $load['kw'], $usableKw)) {
                    $runningKw += $load['kw'];
                    $timeline[] = ['step' => count($timeline) + 1, 't_s' => $t, 'id' => $load['id'], 'start_kva' => $load['start'], 'dip_pct' => $dip($load['start']), 'running_kw' => $runningKw];
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
        $working->add('Largest start allowed', sprintf('%.4g kVA × %g / (100 − %g)', $kKva, $limitPct, $limitPct), min($kKva * $limitPct / (100 - $limitPct), $maxStartKva ?? INF), 'kVA');
        $working->add('Running at the end', sprintf('%g kW base and %d loads', $baseKw, count($timeline)), $runningKw, 'kW');
        $notReturned = array_values(array_filter($ordered, static fn(array $load): bool => isset($reasons[$load['id']])));

        return new Answer([
            'order' => array_column($timeline, 'id'), 'timeline' => $timeline,
            'not_returned' => array_map(static fn(array $load): array => ['id' => $load['id'], 'reason' => $reasons[$load['id']]], $notReturned),
            'final_kw' => $runningKw, 'last_t_s' => $timeline === [] ? null : $timeline[count($timeline) - 1]['t_s'], 'worst_dip_pct' => max([0, ...array_column($timeline, 'dip_pct')]),
        ], $findings->all(), $working->lines);
    }

    /**
     * @param list<array{id: string, kw: float, compressor: bool, lockout: float, mustRun: bool, ...}> $loads
     * @param array<string, string>                                                                    $reasons
     */
    private function judge(array $loads, array $reasons, float $baseKw, float $usableKw, float $firstS, float $stepS): Findings
    {
        $findings = new Findings();
        if (Slack::exceeds($baseKw, $usableKw)) {
            $findings->stop('base-overload', sprintf('%.1f kW are never shed, %.1f kW are there', $baseKw, $usableKw), 'The set is overloaded before the first load comes back.');
        }
        foreach ($loads as $load) {
            if (isset($reasons[$load['id']])) {
                $why = $reasons[$load['id']] === 'start' ? 'Its start pulls the voltage down too far.' : 'Its kW no longer fit beside what runs.';
                $load['mustRun'] ? $findings->stop('must-run-not-returned', 'A load that must run never comes back', $why, [$load['id']])
                    : $findings->warn('load-not-returned', 'A load never comes back', $why, [$load['id']]);
            }
            if ($load['compressor'] && Slack::isBelow($load['lockout'], 180)) {
                $findings->warn('lockout-short', 'A compressor may start again within three minutes', 'It restarts against pressure and stalls. Lock it out for 180 s.', [$load['id']]);
            }
        }
        if (Slack::isBelow($stepS, 5) && count($loads) >= 2) {
            $findings->warn('step-short', sprintf('%g s between two loads', $stepS), 'Voltage and speed have not recovered from the one before.');
        }
        if (Slack::isBelow($firstS, 5) && $loads !== []) {
            $findings->note('first-step-short', sprintf('The first load comes back after %g s', $firstS), 'Give the set a few seconds with what it has just taken.');
        }

        return $findings;
    }
}
