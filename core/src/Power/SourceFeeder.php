<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Input\Tolerance;

/** Whether the feeder of a source is planned for what the source gives. Rule: docs/rules.md#source-rating. */
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
        if ($breakerA !== null && Tolerance::exceeds($breakerA, $ocpdA)) {
            return Register::finding('source-feeder-breaker-differs', ['ocpd_a' => $ocpdA, 'breaker_a' => $breakerA]);
        }

        $isSmall = Tolerance::exceeds($mostA, max($plannedA, $breakerA === null ? 0.0 : $ocpdA));
        $figures = ['leg_a' => $legA, 'planned_a' => $plannedA, 'ocpd_a' => $ocpdA];

        return $isSmall ? Register::finding('source-feeder-small', $figures) : null;
    }
}
