<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Restart;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** The order in which shed loads come back, so that each start and the running kW stay within limits. Rule: docs/rules.md#step-sequence. */
final readonly class StepSequence
{
    /** What general loads stand at most while a motor starts, in percent. Rule: docs/rules.md#motor-start. */
    public const DIP_LIMIT_PCT = 30.0;
    /** A set has not settled from one start before this. */
    private const SETTLED_S = 5.0;

    public function answer(StepSequenceInput $in): CalculationResult
    {
        [$steps, $reasons, $runningKw] = RestartPlay::of($in);
        $working = new Working();
        $working->add(
            'Largest start allowed',
            sprintf('%.4g kVA × %g / (100 − %g)', $in->stiffnessKva, $in->dipLimitPct, $in->dipLimitPct),
            $in->largestStartKva(),
            'kVA',
        );
        $working->add('Running at the end', sprintf('%g kW base and %d loads', $in->baseKw, count($steps)), $runningKw, 'kW');
        $off = array_filter($in->ordered(), static fn(RestartLoad $load): bool => isset($reasons[$load->id]));

        return new CalculationResult([
            'order' => array_map(static fn(RestartStep $step): string => $step->load->id, $steps),
            'timeline' => array_map(static fn(RestartStep $step, int $i): array => $step->toArray($i + 1), $steps, array_keys($steps)),
            'not_returned' => array_values(array_map(
                static fn(RestartLoad $load): array => ['id' => $load->id, 'reason' => $reasons[$load->id]],
                $off,
            )),
            'final_kw' => $runningKw,
            'last_t_s' => $steps === [] ? null : $steps[count($steps) - 1]->atS,
            'worst_dip_pct' => max([0, ...array_map(static fn(RestartStep $step): float => $step->dipPct, $steps)]),
        ], $this->judge($in, $reasons)->all(), $working->lines);
    }

    /** @param array<string, 'kw'|'start'> $reasons */
    private function judge(StepSequenceInput $in, array $reasons): Findings
    {
        $findings = new Findings();
        if (Tolerance::exceeds($in->baseKw, $in->usableKw)) {
            $findings->raise('base-overload', ['base_kw' => $in->baseKw, 'usable_kw' => $in->usableKw]);
        }
        foreach ($in->loads as $load) {
            if (isset($reasons[$load->id])) {
                $why = $reasons[$load->id] === 'start'
                    ? 'Its start pulls the voltage down too far.'
                    : 'Its kW do not fit beside what runs.';
                $findings->raise($load->mustRun ? 'must-run-not-returned' : 'load-not-returned', ['why' => $why], [$load->id]);
            }
            if ($load->isCompressor && Tolerance::isBelow($load->lockoutS, RestartLoad::COMPRESSOR_S)) {
                $findings->raise('lockout-short', [], [$load->id]);
            }
        }
        if (Tolerance::isBelow($in->stepS, self::SETTLED_S) && count($in->loads) >= 2) {
            $findings->raise('step-short', ['step_s' => $in->stepS]);
        }
        if (Tolerance::isBelow($in->firstStepS, self::SETTLED_S) && $in->loads !== []) {
            $findings->raise('first-step-short', ['first_s' => $in->firstStepS]);
        }

        return $findings;
    }
}
