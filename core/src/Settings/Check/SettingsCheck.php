<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Finding\Finding;

/** Judges a settings sheet for its plant and its use. Rule: settings §1. Checks never repair; a fix is offered as data. */
final readonly class SettingsCheck
{
    public function check(CheckInput $in): SettingsCheckResult
    {
        $families = [new SensingRules(), new DelayRules(), new SheddingRules(), new ExerciseRules(), new OutcomeRules()];
        $findings = [];
        foreach ($families as $rules) {
            array_push($findings, ...array_filter($rules->judge($in)));
        }

        return new SettingsCheckResult(Finding::worstFirst($findings), $in->expected);
    }
}
