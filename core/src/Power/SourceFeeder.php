<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Internal\Slack;

/** Whether the feeder of a source is planned for what the source gives. Rule: field notes P5; loads §2. */
final readonly class SourceFeeder
{
    /**
     * @param float  $plannedA A, that the feeder is planned to carry
     * @param float  $ocpdA    A, of the device ahead of it on the plan
     * @param float  $legA     A, that the source gives a leg
     * @param ?float $breakerA A, of the breaker at the source; null: not known
     */
    public static function judge(float $plannedA, float $ocpdA, float $legA, ?float $breakerA): ?Finding
    {
        $mostA = min($legA, $breakerA ?? INF);
        if ($breakerA !== null && Slack::exceeds($breakerA, $ocpdA)) {
            return new Finding(
                'source-feeder-breaker-differs',
                Severity::Stop,
                sprintf('The feeder is planned behind %g A, and the breaker at the source is %g A.', $ocpdA, $breakerA),
                'Fire hazard: the conductor is smaller than the device that protects it. Plan the feeder for the breaker that is there, or change the breaker.',
            );
        }

        return ! Slack::exceeds($mostA, max($plannedA, $breakerA === null ? 0.0 : $ocpdA)) ? null : new Finding(
            'source-feeder-small',
            Severity::Stop,
            sprintf('The source gives %.0f A a leg, and its feeder is planned for %g A behind %g A.', $legA, $plannedA, $ocpdA),
            'Fire hazard: until its breaker opens the source pushes what it can. Plan the feeder for what the source gives, or for the breaker at the source.',
        );
    }
}
