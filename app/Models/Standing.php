<?php

declare(strict_types=1);

namespace App\Models;

enum Standing: string
{
    case AsFound = 'as_found';
    case Proposed = 'proposed';
    case AsLeft = 'as_left';

    public function label(): string
    {
        return match ($this) {
            self::AsFound => 'as found',
            self::Proposed => 'proposed',
            self::AsLeft => 'as left',
        };
    }
}
