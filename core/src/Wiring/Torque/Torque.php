<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Torque;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Wiring\Dates;

/** Proves that every lug was torqued, and that its witness mark still tells the truth. Rule: docs/rules.md#torque. */
final readonly class Torque
{
    private const DUE_SOON_DAYS = 30;

    public function answer(TorqueInput $in): CalculationResult
    {
        $findings = new Findings();
        $judged = array_map(static fn(TorquePoint $point): JudgedPoint => new JudgedPoint($point, $in), $in->points);
        foreach ($judged as $one) {
            foreach ($one->flags as $id) {
                $findings->raise("torque/$id", [], [$one->point->id]);
            }
        }
        $isExpired = $this->judgeTool($in, $findings);
        $findings->raise('torque-dead-only');
        $working = new Working();
        $working->add('Band', sprintf('target × (1 ± %g / 100)', $in->tolerancePct), null, 'in-lb');
        $open = array_filter($judged, static fn(JudgedPoint $one): bool => $one->verdict() !== 'accept');

        return new CalculationResult([
            'points' => array_map(static fn(JudgedPoint $one): array => $one->toArray(), $judged),
            'calibration_due' => $in->tool?->due,
            'all_accepted' => ! $isExpired && $open === [],
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    /** @return bool whether its calibration had run out on the day of the work */
    private function judgeTool(TorqueInput $in, Findings $findings): bool
    {
        if ($in->tool === null) {
            if (array_filter($in->points, static fn(TorquePoint $point): bool => $point->recordedInLb !== null) !== []) {
                $findings->raise('tool-not-recorded');
            }

            return false;
        }
        $days = Dates::daysBetween($in->workDate, $in->tool->due);
        if ($days < 0) {
            $findings->raise('tool-calibration-expired', ['due' => $in->tool->due]);
        } elseif ($days <= self::DUE_SOON_DAYS) {
            $findings->raise('tool-calibration-due-soon', ['due' => $in->tool->due]);
        }

        return $days < 0;
    }
}
