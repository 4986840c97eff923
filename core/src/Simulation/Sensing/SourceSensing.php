<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Sensing;

use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Simulation\Event\SagRidden;
use Escapement\Core\Simulation\Event\SourceLost;
use Escapement\Core\Simulation\Event\SourceReturned;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Reading;

/**
 * The controller's eye on one source: a latch per limit, the drop-out delay, and what the source is declared as.
 *
 * Rule: docs/rules.md#sensing. Losing takes the delay, returning none: the return delay proves stability, not the sensing.
 */
final class SourceSensing
{
    /** N or E of the rules. */
    public bool $isDeclaredGood;
    /** When the source will be declared lost if nothing gets better, else Signal::NEVER. */
    public int $lostDueMs = Signal::NEVER;

    /** @var array<int, bool> by phase */
    private array $underVoltage;
    /** @var array<int, bool> by phase */
    private array $overVoltage;
    private bool $unbalance = false;
    private bool $underFrequency = false;
    private bool $overFrequency = false;
    private bool $rotation = false;
    private bool $isRawGood;
    private int $badSinceMs = 0;
    private int $seenVersion = -1;

    public function __construct(
        private readonly Side $side,
        private readonly Signal $signal,
        private readonly Sensing $sensing,
        private readonly Log $log,
    ) {
        $this->underVoltage = $this->overVoltage = array_fill(0, count($signal->volts->at(0)), false);
        $this->isRawGood = ! $this->updateLatches(0);
        $this->isDeclaredGood = $this->isRawGood;
    }

    public function look(int $t): void
    {
        if ($this->seenVersion !== $this->signal->version || $this->signal->volts->isMoving() || $this->signal->hertz->isMoving()) {
            $this->judge($t, ! $this->updateLatches($t));
        }
        if ($t >= $this->lostDueMs) {
            $this->lostDueMs = Signal::NEVER;
            $this->isDeclaredGood = false;
            [$latch, $phase] = $this->setLatch();
            $this->log->add(new SourceLost($t, $this->side, $latch, $phase, $this->badSinceMs, $this->reading($t)));
        }
    }

    private function judge(int $t, bool $isRawGood): void
    {
        if ($isRawGood === $this->isRawGood) {
            return;
        }
        $this->isRawGood = $isRawGood;
        if (! $isRawGood) {
            $this->badSinceMs = $t;
            if ($this->isDeclaredGood) {
                $this->lostDueMs = $t + $this->sensing->dropoutDelayMs;
            }
        } elseif ($this->isDeclaredGood) {
            $this->lostDueMs = Signal::NEVER;
            $this->log->add(new SagRidden($t, $this->side, $t - $this->badSinceMs, $this->sensing->dropoutDelayMs));
        } else {
            $this->isDeclaredGood = true;
            $this->log->add(new SourceReturned($t, $this->side, $this->reading($t)));
        }
    }

    /** The hot spot of a season: one pass, no names, no allocation. True when any latch is set. */
    private function updateLatches(int $t): bool
    {
        $this->seenVersion = $this->signal->version;
        $limits = $this->signal->thresholds;
        $volts = $this->signal->volts;
        $volts->settle($t);
        $length = $volts->length();
        $values = $volts->at($t);
        $isAnySet = false;
        [$dropout, $pickup] = $limits->underVoltage;
        foreach ($values as $phase => $value) {
            $isAnySet = ($this->underVoltage[$phase] = $value < ($this->underVoltage[$phase] ? $pickup : $dropout) * $length) || $isAnySet;
        }
        if ($limits->overVoltage !== null) {
            [$dropout, $pickup] = $limits->overVoltage;
            foreach ($values as $phase => $value) {
                $isAnySet = ($this->overVoltage[$phase] = $value > ($this->overVoltage[$phase] ? $pickup : $dropout) * $length)
                    || $isAnySet;
            }
        }
        if ($limits->unbalance !== null) {
            $isAnySet = ($this->unbalance = $this->isSpread($values, $limits->unbalance)) || $isAnySet;
        }
        if ($limits->underFrequency !== null || $limits->overFrequency !== null) {
            $isAnySet = $this->updateFrequency($t, $limits) || $isAnySet;
        }
        if ($this->sensing->rotationCheck) {
            $isAnySet = ($this->rotation = $this->signal->rotation !== 'abc') || $isAnySet;
        }

        return $isAnySet;
    }

    /** True when either latch of the frequency is set. */
    private function updateFrequency(int $t, Thresholds $limits): bool
    {
        $hertz = $this->signal->hertz;
        $hertz->settle($t);
        $length = $hertz->length();
        [$value] = $hertz->at($t);
        if ($limits->underFrequency !== null) {
            $this->underFrequency = $value < $limits->underFrequency[$this->underFrequency ? 1 : 0] * $length;
        }
        if ($limits->overFrequency !== null) {
            $this->overFrequency = $value > $limits->overFrequency[$this->overFrequency ? 1 : 0] * $length;
        }

        return $this->underFrequency || $this->overFrequency;
    }

    /**
     * Compares 3 |v − mean| with the share of the sum, so that the mean needs no division.
     *
     * @param list<int|float>                                                 $values
     * @param array{array{int|float, int|float}, array{int|float, int|float}} $shares drop-out, pick-up
     */
    private function isSpread(array $values, array $shares): bool
    {
        $sum = array_sum($values);
        if ($sum <= 0) { // no change while nothing is there: unbalance of nothing has no meaning
            return $this->unbalance;
        }
        [$numerator, $denominator] = $shares[$this->unbalance ? 1 : 0];
        foreach ($values as $value) {
            if (abs(3 * $value - $sum) * $denominator > $numerator * $sum) {
                return true;
            }
        }

        return false;
    }

    /** @return array{?Latch, int} the first latch that is set and its phase, for the sentence */
    private function setLatch(): array
    {
        $under = array_search(true, $this->underVoltage, true);
        $over = array_search(true, $this->overVoltage, true);

        return match (true) {
            $under !== false => [Latch::UnderVoltage, $under],
            $over !== false => [Latch::OverVoltage, $over],
            $this->unbalance => [Latch::Unbalance, 0],
            $this->underFrequency => [Latch::UnderFrequency, 0],
            $this->overFrequency => [Latch::OverFrequency, 0],
            $this->rotation => [Latch::Rotation, 0],
            default => [null, 0],
        };
    }

    private function reading(int $t): Reading
    {
        $volts = $this->signal->volts;
        $hertz = $this->signal->hertz;
        $volts->settle($t);
        $hertz->settle($t);

        return new Reading($volts->at($t), $volts->length(), $hertz->at($t)[0], $hertz->length());
    }
}
