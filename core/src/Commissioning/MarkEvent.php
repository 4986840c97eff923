<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Plant\PlantKind;

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

    /** Marks that mean nothing on this kind are left out. Rule: docs/rules.md#timing-verdict. */
    public function countsOn(PlantKind $kind): bool
    {
        return match ($kind) {
            PlantKind::Standby => true,
            PlantKind::TwoSource => ! in_array(
                $this,
                [self::StartSignal, self::EngineRunning, self::EngineStopped, self::TestOn, self::TestOff],
                true,
            ),
            PlantKind::Mobile => ! in_array(
                $this,
                [self::UtilityOff, self::UtilityOn, self::BaitOn, self::BaitOff, self::TestOn, self::TestOff],
                true,
            ),
        };
    }
}
