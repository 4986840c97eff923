<?php

declare(strict_types=1);

namespace Escapement\Core\Packing;

enum PackGroup: string
{
    case Material = 'material';
    case Tool = 'tool';
    case Gear = 'gear';
    case Form = 'form';
    case Own = 'own';

    public function label(): string
    {
        return match ($this) {
            self::Material => 'Material',
            self::Tool => 'Tools',
            self::Gear => 'Test gear',
            self::Form => 'Papers and agreements',
            self::Own => 'Also',
        };
    }
}
