<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;

/**
 * Judges a settings sheet for its plant and its use. Rule: docs/rules.md#settings-delays. Checks never repair; a fix is
 * offered as data.
 */
final readonly class SettingsCheck
{
    public function check(CheckInput $in): SettingsCheckResult
    {
        $families = [
            new SensingRules(),
            new GeneratorRules(),
            new DelayRules(),
            new SheddingRules(),
            new ExerciseRules(),
            new OutcomeRules(),
        ];
        $findings = [];
        foreach ($families as $rules) {
            array_push($findings, ...array_filter($rules->judge($in)));
        }

        return new SettingsCheckResult(Finding::worstFirst($findings), $in->expected);
    }
}
