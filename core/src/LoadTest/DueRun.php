<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** When a run of one type is due. */
final readonly class DueRun
{
    /** @param 'never'|'ok'|'overdue'|'soon' $status */
    public function __construct(
        public string $type,
        public int $months,
        public ?string $lastDone,
        public string $due,
        public ?string $dueEarliest,
        public string $dueLatest,
        public int $daysOverdue,
        public string $status,
    ) {}
}
