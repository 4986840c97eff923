<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\Mark;

/** A stored mark as the device knows it. */
final readonly class MarkLine
{
    /** @return array<string, mixed> */
    public static function toArray(Mark $mark): array
    {
        return [
            'id' => $mark->id, 'event' => $mark->event, 'at_ms' => $mark->at_ms, 'client_wall' => $mark->client_wall, 'note' => $mark->note,
            'late_reason' => $mark->late_reason, 'undone' => $mark->is_undone, 'flag' => $mark->flag,
        ];
    }
}
