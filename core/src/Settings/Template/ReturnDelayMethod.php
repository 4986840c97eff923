<?php

declare(strict_types=1);

namespace Escapement\Core\Settings\Template;

/** Practitioners disagree on how long a returned utility has to prove itself. */
enum ReturnDelayMethod: string
{
    case Short = 'short';
    case StormWise = 'storm_wise';
    case Critical = 'critical';

    public function label(): string
    {
        return match ($this) {
            self::Short => 'Short',
            self::StormWise => 'Storm-wise',
            self::Critical => 'Critical site',
        };
    }

    public function reason(): string
    {
        return match ($this) {
            self::Short =>
                'Back on the utility soon: least fuel, and the neighbours sleep. A line crew that switches on, off and on again can '
                    . 'still bounce the load.',
            self::StormWise =>
                'Long enough that a line crew\'s on-off-on does not bounce the load. The default: it costs minutes of fuel and '
                    . 'saves the electronics.',
            self::Critical => 'Where a second interruption costs more than fuel: wait until the repair has settled.',
        };
    }
}
