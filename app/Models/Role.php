<?php

declare(strict_types=1);

namespace App\Models;

enum Role: string
{
    case Lead = 'lead';
    case Technician = 'technician';
    case Viewer = 'viewer';

    public function mayLead(): bool
    {
        return $this === self::Lead;
    }

    public function mayWrite(): bool
    {
        return $this !== self::Viewer;
    }
}
