<?php

declare(strict_types=1);

namespace Escapement\Core\Materials;

enum MaterialGroup: string
{
    case Material = 'material';
    case Tool = 'tool';
    case Protection = 'protection';
    case Gear = 'gear';
    case Form = 'form';
    case Own = 'own';

    public function label(): string
    {
        return match ($this) {
            self::Material => 'Material',
            self::Tool => 'Tools',
            self::Protection => 'Protective equipment',
            self::Gear => 'Test gear',
            self::Form => 'Papers and agreements',
            self::Own => 'Also',
        };
    }
}
