<?php

declare(strict_types=1);

namespace App\Models;

enum Role: string
{
    case Lead = 'lead';
    case Technician = 'technician';
    /** Works and writes; what is signed, a technician signs. */
    case Apprentice = 'apprentice';
    /** A technician from elsewhere: named sites, until a day. */
    case Guest = 'guest';
    case Viewer = 'viewer';

    public function mayLead(): bool
    {
        return $this === self::Lead;
    }

    public function mayWrite(): bool
    {
        return $this !== self::Viewer;
    }

    public function maySign(): bool
    {
        return $this === self::Lead || $this === self::Technician || $this === self::Guest;
    }

    /** What is the whole company's: its sites, people, equipment, plans of visits. */
    public function mayWriteForAll(): bool
    {
        return $this === self::Lead || $this === self::Technician;
    }
}
