<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Site\Kind;

/** What a thumb on the stopwatch can mark. The order of the cases decides between marks of the same millisecond. */
enum MarkEvent: string
{
    case UtilityOff = 'utility_off';
    /** The test button is pressed, or its key turned: the utility stays. */
    case TestOn = 'test_on';
    case StartSignal = 'start_signal';
    case EngineRunning = 'engine_running';
    case Transferred = 'transferred';
    case BaitOn = 'bait_on';
    case BaitOff = 'bait_off';
    case UtilityOn = 'utility_on';
    case TestOff = 'test_off';
    case Retransferred = 'retransferred';
    case EngineStopped = 'engine_stopped';

    public function order(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    public function isBait(): bool
    {
        return $this === self::BaitOn || $this === self::BaitOff;
    }

    /** The marks of a test by the button; `calc timing_verdict`, which is about outages, does not take them. */
    public function isOfButton(): bool
    {
        return $this === self::TestOn || $this === self::TestOff;
    }

    /** Marks that mean nothing on this kind are left out. Rule: commissioning §3. */
    public function countsOn(Kind $kind): bool
    {
        return match ($kind) {
            Kind::Standby => true,
            Kind::TwoSource => ! in_array($this, [self::StartSignal, self::EngineRunning, self::EngineStopped, self::TestOn, self::TestOff], true),
            Kind::Mobile => ! in_array($this, [self::UtilityOff, self::UtilityOn, self::BaitOn, self::BaitOff, self::TestOn, self::TestOff], true),
        };
    }

    /** Whether a new timed run begins with it. */
    public function opens(Kind $kind): bool
    {
        return $this === ($kind === Kind::Mobile ? self::StartSignal : self::UtilityOff) || $this === self::TestOn && $kind === Kind::Standby;
    }
}
