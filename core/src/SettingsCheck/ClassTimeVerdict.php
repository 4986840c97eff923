<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

/** What the settings make of the time that a class allows. */
enum ClassTimeVerdict: string
{
    case NotKnown = 'not_known';
    case TooSlow = 'too_slow';
    case FirstCrankOnly = 'first_crank_only';
    case Inside = 'inside';

    public function sentence(): string
    {
        return match ($this) {
            self::NotKnown => 'There is no settings sheet yet.',
            self::TooSlow => 'Too slow for the class: start delay, cranks, warm-up.',
            self::FirstCrankOnly => 'Inside it when the first crank starts the engine; a further one takes too long.',
            self::Inside => 'Inside it by the sheet. The procedure times it, cold.',
        };
    }
}
