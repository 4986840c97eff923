<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

enum Severity: string
{
    case Stop = 'stop';
    case Warn = 'warn';
    case Note = 'note';

    /** Worst first. */
    public function rank(): int
    {
        return match ($this) {
            self::Stop => 0,
            self::Warn => 1,
            self::Note => 2,
        };
    }
}
