<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\SourceSensing;

/**
 * A relay biased to the generator: it takes the load whenever the generator is good, whatever shore power does. Rule:
 * docs/rules.md#controller.
 */
final class MobileRelay implements Controller
{
    private readonly Timer $transferDelay;

    public function __construct(
        private readonly int $transferDelayMs,
        private readonly SourceSensing $emergency,
        private readonly Mechanism $mechanism,
        Log $log,
    ) {
        $this->transferDelay = new Timer(TimerName::TransferDelay, $log);
    }

    public function decide(int $t): void
    {
        $isGood = $this->emergency->isDeclaredGood;
        if (! ($this->mechanism->closedOn === Side::Normal && $isGood)) {
            $this->transferDelay->cancel($t, TimerCut::EmergencyLost);
        }
        if ($this->transferDelay->expires($t)) {
            $this->mechanism->transfer($t, Side::Emergency, TransferReason::Relay);
        }
        if ($this->mechanism->closedOn === Side::Normal && $isGood && ! $this->transferDelay->isRunning) {
            $this->transferDelay->start($t, $this->transferDelayMs);
        }
        if ($this->mechanism->closedOn === Side::Emergency && ! $isGood) {
            $this->mechanism->transfer($t, Side::Normal, TransferReason::RelayRelease);
        }
    }

    public function closedOn(Side $side): void {}

    public function nextDueMs(): int
    {
        return $this->transferDelay->dueMs;
    }

    public function startTest(int $t, bool $withLoad, ?int $forMs): void
    {
        throw new \LogicException('A mobile relay cannot be tested; the reader refuses it.');
    }

    public function stopTest(int $t): void
    {
        throw new \LogicException('A mobile relay cannot be tested; the reader refuses it.');
    }

    public function exercise(int $t, bool $withLoad, int $forMs): void
    {
        throw new \LogicException('A mobile relay has no exercise; the reader refuses it.');
    }

    public function select(int $t, string $to): void
    {
        throw new \LogicException('A mobile relay has no selector; the reader refuses it.');
    }

    public function test(): TestKind
    {
        return TestKind::None;
    }
}
