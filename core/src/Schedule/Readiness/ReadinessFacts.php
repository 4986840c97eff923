<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Readiness;

use Escapement\Core\Input\Tolerance;
use Escapement\Core\Schedule\Day;

/** What each criterion of one site loses, and by which facts. Rule: docs/rules.md#storm-readiness. */
final readonly class ReadinessFacts
{
    private const TEST_MONTHS = 12;
    private const BATTERY_OLD_MONTHS = 36;
    private const BATTERY_DONE_MONTHS = 60;
    /** One of age and volts unknown. */
    private const HALF_KNOWN = 0.35;
    private const OVER_DAYS_A_MONTH = 15;

    public function __construct(private ReadinessSite $site, private ReadinessInput $in) {}

    /** @return ?float fraction lost, 0 to 1; null: unknown */
    public function fraction(Criterion $criterion): ?float
    {
        $site = $this->site;

        return match ($criterion) {
            Criterion::Selector => $site->selector === null ? null : ($site->selector === 'auto' ? 0.0 : 1.0),
            Criterion::OpenStops => $site->openStops === null ? null : ($site->openStops > 0 ? 1.0 : 0.0),
            Criterion::OutageTest => $this->test($site->outageTest, self::TEST_MONTHS),
            Criterion::LoadTest => $this->test($site->loadTest, $site->loadTestMonths),
            Criterion::Fuel => $this->fuel(),
            Criterion::Battery => $this->battery(),
            Criterion::Settings => $site->settingsProven === null || $site->settingsNow === null
                ? null
                : ($this->hasOtherSettings() ? 1.0 : 0.0),
            Criterion::Exercise => self::steps($this->missed(), [0.0, 0.4, 0.7]),
            Criterion::Alarms => self::steps($site->alarmsActive, [0.0, 0.6]),
            Criterion::Service => self::steps($site->serviceOverdue, [0.0, 0.4, 0.7]),
        };
    }

    /** @return ?float the score that is not exceeded while this stands */
    public function cap(Criterion $criterion): ?float
    {
        $site = $this->site;
        $isCapped = match ($criterion) {
            Criterion::Selector => $site->selector !== null && $site->selector !== 'auto',
            Criterion::OpenStops => ($site->openStops ?? 0) > 0,
            Criterion::OutageTest => $site->outageTest !== null && ! $site->outageTest[1],
            Criterion::LoadTest => $site->loadTest !== null && ! $site->loadTest[1],
            Criterion::Fuel => ! $site->isPiped && $site->fuelDays === 0.0,
            default => false,
        };
        $cap = match ($criterion) {
            Criterion::Selector, Criterion::OpenStops => 20.0,
            Criterion::OutageTest => 30.0,
            default => 40.0,
        };

        return $isCapped ? $cap : null;
    }

    /** @return ?int exercises that were due since the last one */
    public function missed(): ?int
    {
        return $this->site->lastExercise === null
            ? null
            : max(0, (int) floor(($this->in->today - $this->site->lastExercise - 1) / $this->site->exerciseEveryDays));
    }

    public function hasOtherSettings(): bool
    {
        return $this->site->settingsProven !== null && $this->site->settingsNow !== null
            && $this->site->settingsProven !== $this->site->settingsNow;
    }

    public function isFuelShort(): bool
    {
        return ! $this->site->isPiped && $this->site->fuelDays !== null
            && Tolerance::isBelow($this->site->fuelDays, $this->in->fuelDaysWanted);
    }

    public function isBatteryWeak(): bool
    {
        return max($this->batteryAge() ?? 0.0, $this->batteryVolts() ?? 0.0) >= 0.5;
    }

    /** @param ?array{int, bool} $test */
    private function test(?array $test, int $months): ?float
    {
        if ($test === null) {
            return null;
        }

        return $test[1] ? $this->age($test[0], $months) : 1.0;
    }

    /** A pass that has grown old is better than none. */
    private function age(int $day, int $months): float
    {
        $over = $this->in->today - Day::addMonths($day, $months);

        return match (true) {
            $over <= 0 => 0.0,
            $over <= self::OVER_DAYS_A_MONTH * $months => 0.4,
            $over <= 2 * self::OVER_DAYS_A_MONTH * $months => 0.6,
            default => 0.8,
        };
    }

    private function fuel(): ?float
    {
        if ($this->site->isPiped) {
            return 0.0;
        }

        return $this->site->fuelDays === null ? null : max(0.0, 1 - $this->site->fuelDays / $this->in->fuelDaysWanted);
    }

    private function battery(): ?float
    {
        $age = $this->batteryAge();
        $volts = $this->batteryVolts();

        return $age === null && $volts === null ? null : max($age ?? self::HALF_KNOWN, $volts ?? self::HALF_KNOWN);
    }

    private function batteryAge(): ?float
    {
        $installed = $this->site->batteryInstalled;

        return $installed === null ? null : match (true) {
            $this->in->today < Day::addMonths($installed, self::BATTERY_OLD_MONTHS) => 0.0,
            $this->in->today < Day::addMonths($installed, self::BATTERY_DONE_MONTHS) => 0.5,
            default => 1.0,
        };
    }

    private function batteryVolts(): ?float
    {
        if ($this->site->batteryRestV === null) {
            return null;
        }
        $volts = $this->site->batteryRestV * 12 / $this->site->batteryNominalV;

        return match (true) {
            ! Tolerance::isBelow($volts, 12.6) => 0.0,
            ! Tolerance::isBelow($volts, 12.4) => 0.3,
            ! Tolerance::isBelow($volts, 12.2) => 0.6,
            default => 1.0,
        };
    }

    /** @param non-empty-list<float> $steps fraction by count; beyond them all is lost */
    private static function steps(?int $count, array $steps): ?float
    {
        return $count === null ? null : $steps[$count] ?? 1.0;
    }
}
