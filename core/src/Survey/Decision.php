<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

/** What an answer is needed for, in the order in which the work comes to it. */
enum Decision: string
{
    case Carry = 'carry';
    case OneLine = 'one_line';
    case Wires = 'wires';
    case Day = 'day';
    case Commission = 'commission';

    public function label(): string
    {
        return match ($this) {
            self::Carry => 'To decide what is carried',
            self::OneLine => 'For the one-line and its bonds',
            self::Wires => 'For wires and boxes',
            self::Day => 'For the day of the power-down',
            self::Commission => 'Before the engine runs',
        };
    }
}
