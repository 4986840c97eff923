<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Logbook;

/** The hours of the meter against the runs that somebody wrote down. Rule: docs/rules.md#logbook-summary. */
final class MeterAccount
{
    public readonly ?float $meterH;
    public readonly ?float $claimedH;
    public readonly ?float $unexplainedH;
    public readonly bool $wentBackwards;

    public function __construct(LogbookInput $in)
    {
        $stretch = Stretch::of($in, 'hours');
        $hours = 0.0;
        $isBack = false;
        $before = $stretch?->first;
        foreach ($stretch === null ? [] : [...$stretch->between, $stretch->last] as $entry) {
            if ($entry->kind !== 'hours' || $before === null) {
                continue;
            }
            $added = $entry->amount - ($before->newMeterH ?? $before->amount);
            $isBack = $isBack || $added < 0;
            $hours += $added < 0 ? $entry->amount : $added;
            $before = $entry;
        }
        $this->wentBackwards = $isBack;
        $this->meterH = $stretch === null ? null : $hours;
        $this->claimedH = $stretch?->runH();
        $this->unexplainedH = $this->meterH === null || $this->claimedH === null ? null : $this->meterH - $this->claimedH;
    }

    /** How far hours and runs may differ. */
    public function slackH(): float
    {
        return max(1.0, 0.05 * ($this->meterH ?? 0.0));
    }
}
