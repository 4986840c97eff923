<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\UpkeepFacts;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Schedule\Service\DueItem;

/** What a storm asks of a switch. */
final readonly class StormFacts
{
    /** @return array<string, mixed> a site of storm_readiness, without its name */
    public static function of(TransferSwitch $switch, UpkeepPage $page): array
    {
        $facts = $page->facts;
        $overdue = array_filter(
            $page->due,
            static fn(DueItem $item): bool => in_array($item->state, ['overdue', 'never'], true),
        );
        $isServiceKnown = $facts->missing() === [] && $page->problem === null;
        $active = self::activeAlarms($facts);

        return array_diff_key($facts->readiness(
            'site',
            count($page->standing->stops()) + ($switch->circuit->stops ?? 0),
            $active,
            $isServiceKnown ? count($overdue) : null,
        ), ['id' => 1]);
    }

    /** Null where nothing is written, or where what is written does not fit together: not known. */
    private static function activeAlarms(UpkeepFacts $facts): ?int
    {
        try {
            $summary = $facts->lines->isEmpty() ? null : $facts->summary($facts->now->copy()->subYear());
        } catch (BadInput) {
            return null;
        }
        $active = data_get($summary?->values, 'alarms.active');

        return is_int($active) ? $active : null;
    }
}
