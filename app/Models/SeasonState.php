<?php

declare(strict_types=1);

namespace App\Models;

enum SeasonState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Cancelled = 'cancelled';
    case Failed = 'failed';

    public function isOver(): bool
    {
        return $this === self::Done || $this === self::Cancelled || $this === self::Failed;
    }
}
