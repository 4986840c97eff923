<?php

declare(strict_types=1);

namespace Escapement\Core\Sensing;

use Escapement\Core\Rehearsal\Log;
use Escapement\Core\Settings\Sensing;
use Escapement\Core\Site\Side;

/**
 * The controller's eye on one source: a latch per limit, the drop-out delay, and what the source is declared as.
 *
 * Rule: timing §3. Losing takes the delay, returning none: the return delay proves stability, not the sensing.
 */
final class Watch
{
    /** N or E of the rules. */
    public bool $isDeclaredGood;
    /** When the source will be declared lost if nothing gets better, else Signal::NEVER. */
    public int $lostDueMs = Signal::NEVER;

    /** @var array<string, bool> by name and phase */
    private array $latches = [];
    private bool $isRawGood;
    private int $badSinceMs = 0;
    private int $seenVersion = -1;

    public function __construct(
        private readonly Side $side,
        private readonly Signal $signal,
        private readonly Sensing $sensing,
        private readonly Log $log,
    ) {
        $this->updateLatches(0);
        $this->isRawGood = ! in_array(true, $this->latches, true);
        $this->isDeclaredGood = $this->isRawGood;
    }

    public function look(int $t): void
    {
        if ($this->seenVersion !== $this->signal->version || $this->signal->volts->isMoving() || $this->signal->hertz->isMoving()) {
            $this->updateLatches($t);
            $this->judge($t);
        }
        if ($t >= $this->lostDueMs) {
            $this->lostDueMs = Signal::NEVER;
            $this->isDeclaredGood = false;
            $this->log->add($t, 'source_lost', ['source' => $this->side->value], ['latch' => $this->setLatch(), 'since_ms' => $this->badSinceMs]
                + $this->reading($t));
        }
    }

    private function judge(int $t): void
    {
        $isRawGood = ! in_array(true, $this->latches, true);
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
            $this->log->add($t, 'sag_ridden', ['source' => $this->side->value, 'lasted_ms' => $t - $this->badSinceMs], [
                'delay_ms' => $this->sensing->dropoutDelayMs,
            ]);
        } else {
            $this->isDeclaredGood = true;
            $this->log->add($t, 'source_returned', ['source' => $this->side->value], $this->reading($t));
        }
    }

    private function updateLatches(int $t): void
    {
        $this->seenVersion = $this->signal->version;
        $limits = $this->signal->thresholds;
        $volts = $this->signal->volts;
        $volts->settle($t);
        $length = $volts->length();
        $values = $volts->at($t);
        foreach ($values as $phase => $value) {
            $this->under("under_voltage.$phase", $value, $limits->underVoltage, $length);
            if ($limits->overVoltage !== null) {
                $this->over("over_voltage.$phase", $value, $limits->overVoltage, $length);
            }
        }
        if ($limits->unbalance !== null) {
            $this->spread($values, $limits->unbalance);
        }
        if ($limits->underFrequency !== null || $limits->overFrequency !== null) {
            $hertz = $this->signal->hertz;
            $hertz->settle($t);
            [$value] = $hertz->at($t);
            if ($limits->underFrequency !== null) {
                $this->under('under_frequency.0', $value, $limits->underFrequency, $hertz->length());
            }
            if ($limits->overFrequency !== null) {
                $this->over('over_frequency.0', $value, $limits->overFrequency, $hertz->length());
            }
        }
        if ($this->sensing->rotationCheck) {
            $this->latches['rotation.0'] = $this->signal->rotation !== 'abc';
        }
    }

    /** @param array{int|float, int|float} $limit */
    private function under(string $latch, int|float $value, array $limit, int $length): void
    {
        $this->latches[$latch] = ($this->latches[$latch] ?? false) ? $value < $limit[1] * $length : $value < $limit[0] * $length;
    }

    /** @param array{int|float, int|float} $limit */
    private function over(string $latch, int|float $value, array $limit, int $length): void
    {
        $this->latches[$latch] = ($this->latches[$latch] ?? false) ? $value > $limit[1] * $length : $value > $limit[0] * $length;
    }

    /**
     * Compares 3 |v − mean| with the share of the sum, so that the mean needs no division.
     *
     * @param list<int|float>                                                     $values
     * @param array{array{int|float, int|float}, array{int|float, int|float}} $shares drop-out, pick-up
     */
    private function spread(array $values, array $shares): void
    {
        $isSet = $this->latches['unbalance.0'] ?? false;
        $sum = array_sum($values);
        if ($sum > 0) { // no change while nothing is there: unbalance of nothing has no meaning
            [$numerator, $denominator] = $shares[$isSet ? 1 : 0];
            $isSet = false;
            foreach ($values as $value) {
                if (abs(3 * $value - $sum) * $denominator > $numerator * $sum) {
                    $isSet = true;
                }
            }
        }
        $this->latches['unbalance.0'] = $isSet;
    }

    private function setLatch(): string
    {
        return (string) array_search(true, $this->latches, true);
    }

    /** @return array<string, mixed> */
    private function reading(int $t): array
    {
        return ['volts' => $this->signal->readVolts($t), 'hertz' => $this->signal->readHertz($t)];
    }
}
