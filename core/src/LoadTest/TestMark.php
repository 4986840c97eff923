<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** What a thumb marks while a load test runs. Rule: docs/rules.md#load-test-marks. */
enum TestMark: string
{
    case Started = 'started';
    case StepUp = 'step_up';
    case StepDown = 'step_down';
    case UtilityFailed = 'utility_failed';
    case BankDropped = 'bank_dropped';
    case UtilityBack = 'utility_back';
    case CoolDown = 'cool_down';
    case Stopped = 'stopped';

    public function label(): string
    {
        return match ($this) {
            self::Started => 'Set started',
            self::StepUp => 'Load up',
            self::StepDown => 'Load down',
            self::UtilityFailed => 'Utility failed',
            self::BankDropped => 'Bank dropped',
            self::UtilityBack => 'Utility back',
            self::CoolDown => 'Load off, cooling down',
            self::Stopped => 'Set stopped',
        };
    }

    /** Only steps have a level. */
    public function hasLevel(): bool
    {
        return $this === self::StepUp || $this === self::StepDown;
    }

    /** What nobody planned. */
    public function isHard(): bool
    {
        return $this === self::UtilityFailed;
    }
}
