<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use Escapement\Core\Schedule\Logbook\LogbookSummary;
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
        $summary = $facts->counted() === [] ? null : (new LogbookSummary())->of($facts->logbook($facts->now->copy()->subYear()));
        $active = data_get($summary?->values, 'alarms.active');

        return array_diff_key($facts->readiness(
            'site',
            count($page->standing->stops()) + ($switch->circuit->stops ?? 0),
            is_int($active) ? $active : null,
            $isServiceKnown ? count($overdue) : null,
        ), ['id' => 1]);
    }
}
