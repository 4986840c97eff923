<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** Where a reading comes from: eyes and hands, the file of a recorder, a device that was asked over a wire. */
enum ReadingSource: string
{
    case Manual = 'manual';
    case File = 'file';
    case Device = 'device';

    public function label(): string
    {
        return match ($this) {
            self::Manual => 'read by hand',
            self::File => 'from a recorder',
            self::Device => 'read from a device',
        };
    }
}
