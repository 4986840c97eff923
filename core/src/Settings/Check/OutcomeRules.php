<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Check;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Settings\Application;

/** What a rehearsed plain outage shows of the sheet as a whole. Rule: settings §1. */
final readonly class OutcomeRules implements Rules
{
    public function judge(CheckInput $in): array
    {
        return [$this->lifeSafetyTenSeconds($in), $this->neverTransfers($in), $this->neverReturns($in)];
    }

    private function lifeSafetyTenSeconds(CheckInput $in): ?Finding
    {
        $darkMs = $in->expected->window('dark_ms')?->nominalMs;

        return $in->application !== Application::LifeSafety || $darkMs === null || $darkMs <= 10_000 ? null : new Finding(
            'life-safety-ten-seconds',
            Severity::Stop,
            sprintf('Life-safety loads are dark for %.1f s.', $darkMs / 1000),
            'Ten seconds is the usual limit for them; confirm it against the edition of the code in force.',
            '/settings/transfer_delay_ms',
        );
    }

    private function neverTransfers(CheckInput $in): ?Finding
    {
        return $in->expected->window('transfer')?->nominalMs !== null ? null : new Finding(
            'never-transfers',
            Severity::Stop,
            'In a plain outage the load never goes to the generator.',
            'At its nominal voltage and frequency it is not accepted: a limit or a pick-up lies on the wrong side of nominal.',
            '/settings/sensing/emergency',
        );
    }

    private function neverReturns(CheckInput $in): ?Finding
    {
        $isGone = $in->expected->window('transfer')?->nominalMs !== null;

        return ! $isGone || $in->expected->window('return')?->nominalMs !== null ? null : new Finding(
            'never-returns',
            Severity::Stop,
            'The load never goes back to the utility.',
            'At its nominal voltage and frequency it is not accepted: a limit or a pick-up lies on the wrong side of nominal.',
            '/settings/sensing/normal',
        );
    }
}
