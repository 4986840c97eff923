<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

/** Whether the devices of an element can break, or withstand, what may flow there. */
enum FaultVerdict: string
{
    case Exceeded = 'exceeded';
    case Series = 'series';
    case NotKnown = 'not_known';
    case Holds = 'holds';

    public function words(): string
    {
        return match ($this) {
            self::Exceeded => 'exceeded',
            self::Series => 'holds by the series combination',
            self::NotKnown => 'not known',
            self::Holds => 'holds',
        };
    }
}
