<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Settings\Application;

/** What a rehearsed plain outage shows of the sheet as a whole. Rule: docs/rules.md#settings-delays. */
final readonly class OutcomeRules implements Rules
{
    public function judge(CheckInput $in): array
    {
        return [$this->lifeSafetyTenSeconds($in), $this->neverTransfers($in), $this->neverReturns($in)];
    }

    private function lifeSafetyTenSeconds(CheckInput $in): ?Finding
    {
        $darkMs = $in->expected->window('dark_ms')?->nominalMs;

        return $in->application !== Application::LifeSafety || $darkMs === null || $darkMs <= 10_000 ? null : Register::finding(
            'life-safety-ten-seconds',
            ['dark_s' => $darkMs / 1000],
            path: '/settings/transfer_delay_ms',
        );
    }

    private function neverTransfers(CheckInput $in): ?Finding
    {
        return $in->expected->window('transfer')?->nominalMs !== null ? null : Register::finding(
            'never-transfers',
            path: '/settings/sensing/emergency',
        );
    }

    private function neverReturns(CheckInput $in): ?Finding
    {
        $isGone = $in->expected->window('transfer')?->nominalMs !== null;

        return ! $isGone || $in->expected->window('return')?->nominalMs !== null ? null : Register::finding(
            'never-returns',
            path: '/settings/sensing/normal',
        );
    }
}
