<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Profile;

/** The four tables of the protocol, each read by a function of its own. */
enum PlaceTable: string
{
    case Holding = 'holding';
    case Input = 'input';
    case Coil = 'coil';
    case Discrete = 'discrete';

    public function isBits(): bool
    {
        return $this === self::Coil || $this === self::Discrete;
    }

    /** Of the protocol, for reading. */
    public function function(): int
    {
        return match ($this) {
            self::Coil => 1,
            self::Discrete => 2,
            self::Holding => 3,
            self::Input => 4,
        };
    }
}
