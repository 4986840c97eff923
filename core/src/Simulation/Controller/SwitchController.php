<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\Engine\EngineRun;
use Escapement\Core\Simulation\Event\ExerciseSkipped;
use Escapement\Core\Simulation\Event\OutageAbandoned;
use Escapement\Core\Simulation\Event\ReturnBypassed;
use Escapement\Core\Simulation\Event\SelectorChanged;
use Escapement\Core\Simulation\Event\StartContactClosed;
use Escapement\Core\Simulation\Event\StartContactOpened;
use Escapement\Core\Simulation\Event\TestEnded;
use Escapement\Core\Simulation\Event\TestRefused;
use Escapement\Core\Simulation\Event\TestStarted;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\Signal;
use Escapement\Core\Simulation\Sensing\SourceSensing;

/**
 * The controller of a utility/generator switch, and of a switch between two standing sources. Rule: docs/rules.md#controller.
 *
 * $engine null means two standing sources: no start delay, no contact, no test; the rest is the same, which is why
 * they share this class. N and E stand for "declared good" of normal and emergency, as in the rules.
 */
final class SwitchController implements Controller
{
    private bool $isAuto = true;
    private bool $isOutageQualified = false;
    private TestKind $test = TestKind::None;
    private int $testDueMs = Signal::NEVER;

    private readonly Timer $startDelay;
    private readonly Timer $transferDelay;
    private readonly Timer $returnDelay;
    private readonly Timer $cooldown;

    public function __construct(
        private readonly Settings $settings,
        private readonly SourceSensing $normal,
        private readonly SourceSensing $emergency,
        private readonly Mechanism $mechanism,
        private readonly ?EngineRun $engine,
        private readonly Log $log,
    ) {
        $this->startDelay = new Timer(TimerName::StartDelay, $log);
        $this->transferDelay = new Timer(TimerName::TransferDelay, $log);
        $this->returnDelay = new Timer(TimerName::ReturnDelay, $log);
        $this->cooldown = new Timer(TimerName::Cooldown, $log);
    }

    public function decide(int $t): void
    {
        if (! $this->isAuto) {
            return;
        }
        $n = $this->normal->isDeclaredGood;
        $e = $this->emergency->isDeclaredGood;
        $this->endWhatTheSourcesEnd($t, $n, $e);
        if (! $this->mechanism->isMoving()) {
            $this->cancelBroken($t, $n, $e);
            $this->expire($t);
        }
        if ($t >= $this->testDueMs) {
            $this->endTest($t, TestEnd::Finished);
        }
        match ($this->mechanism->closedOn) {
            Side::Normal => $this->actOnNormal($t, $n, $e),
            Side::Emergency => $this->actOnEmergency($t, $n, $e),
            null => null, // nothing is decided while moving
        };
    }

    public function closedOn(Side $side): void
    {
        $this->isOutageQualified = false;
    }

    public function nextDueMs(): int
    {
        return min(
            $this->startDelay->dueMs,
            $this->transferDelay->dueMs,
            $this->returnDelay->dueMs,
            $this->cooldown->dueMs,
            $this->testDueMs,
        );
    }

    public function test(): TestKind
    {
        return $this->test;
    }

    public function startTest(int $t, bool $withLoad, ?int $forMs): void
    {
        $refusal = $this->refusal();
        if ($refusal !== null) {
            $this->log->add(new TestRefused($t, $refusal));

            return;
        }
        $this->acceptTest($t, $withLoad, $forMs, TestCause::Command);
    }

    public function exercise(int $t, bool $withLoad, int $forMs): void
    {
        $refusal = $this->refusal();
        if ($refusal !== null) {
            $this->log->add(new ExerciseSkipped($t, $refusal));

            return;
        }
        $this->acceptTest($t, $withLoad, $forMs, TestCause::Exercise);
    }

    public function stopTest(int $t): void
    {
        if ($this->test !== TestKind::None) {
            $this->endTest($t, TestEnd::Stopped);
        }
    }

    public function select(int $t, string $to): void
    {
        if (($to === 'auto') === $this->isAuto) {
            return;
        }
        $this->isAuto = $to === 'auto';
        $this->log->add(new SelectorChanged($t, $to));
        if ($this->isAuto) {
            return;
        }
        foreach ([$this->startDelay, $this->transferDelay, $this->returnDelay, $this->cooldown] as $timer) {
            $timer->cancel($t, TimerCut::Selector);
        }
        if ($this->test !== TestKind::None) {
            $this->endTest($t, TestEnd::Selector);
        }
        $this->isOutageQualified = false;
        $this->openContact($t, ContactReason::Selector);
    }

    /** Rules 2, 5 and 9. A test ends when its reason arises, moving or not. */
    private function endWhatTheSourcesEnd(int $t, bool $n, bool $e): void
    {
        if ($this->mechanism->closedOn === Side::Normal && $n && $this->isOutageQualified && ! $this->settings->commitToTransfer) {
            $this->isOutageQualified = false;
            $this->log->add(new OutageAbandoned($t));
        }
        if ($this->test !== TestKind::None && ! $n) {
            $this->endTest($t, TestEnd::Outage);
        } elseif ($this->test === TestKind::Load && $this->mechanism->closedOn === Side::Emergency && ! $e) {
            $this->endTest($t, TestEnd::EmergencyLost);
        }
    }

    private function cancelBroken(int $t, bool $n, bool $e): void
    {
        if ($this->startDelay->isRunning && ! $this->isLosingNormal($n)) {
            $this->startDelay->cancel($t, TimerCut::NormalReturned);
        }
        if ($this->transferDelay->isRunning && ! $this->mayTransfer($e)) {
            $this->transferDelay->cancel($t, $e ? TimerCut::NoReasonToTransfer : TimerCut::EmergencyLost);
        }
        if ($this->returnDelay->isRunning && ! $this->mayReturn($n, $e)) {
            $this->returnDelay->cancel($t, $n ? TimerCut::EmergencyLost : TimerCut::NormalLost);
        }
        if ($this->cooldown->isRunning && ! $this->mayCool($n)) {
            $this->cooldown->cancel($t, $this->whyCooldownBroke($n));
        }
    }

    private function isLosingNormal(bool $n): bool
    {
        return $this->mechanism->closedOn === Side::Normal && ! $n && ! $this->isOutageQualified;
    }

    private function mayTransfer(bool $e): bool
    {
        return $this->mechanism->closedOn === Side::Normal && $e && $this->wantsTransfer();
    }

    private function mayReturn(bool $n, bool $e): bool
    {
        return $this->mechanism->closedOn !== Side::Normal && $n && $e && $this->test !== TestKind::Load;
    }

    private function mayCool(bool $n): bool
    {
        return $this->hasNoDemand($n) && $this->engine?->isStartContactClosed === true && $this->engine->state->turnsByItself();
    }

    private function whyCooldownBroke(bool $n): TimerCut
    {
        return match (true) {
            ! $n => TimerCut::NormalLost,
            $this->test === TestKind::None => TimerCut::EngineGone,
            default => TimerCut::Test,
        };
    }

    private function expire(int $t): void
    {
        if ($this->startDelay->expires($t)) {
            $this->isOutageQualified = true;
            $this->closeContact($t, ContactReason::StartDelay);
        }
        if ($this->transferDelay->expires($t)) {
            $this->mechanism->transfer($t, Side::Emergency, $this->isOutageQualified ? TransferReason::Outage : TransferReason::Test);
        }
        if ($this->returnDelay->expires($t)) {
            $this->mechanism->transfer($t, Side::Normal, TransferReason::Return);
        }
        if ($this->cooldown->expires($t)) {
            $this->openContact($t, ContactReason::Cooldown);
        }
    }

    private function actOnNormal(int $t, bool $n, bool $e): void
    {
        if (! $n && ! $this->isOutageQualified) {
            if ($this->engine === null) {
                $this->isOutageQualified = true;
                $this->log->touch();
            } elseif (! $this->startDelay->isRunning) {
                $this->startDelay->start($t, (int) $this->settings->startDelayMs);
            }
        }
        if ($e && $this->wantsTransfer() && ! $this->transferDelay->isRunning) {
            $this->transferDelay->start($t, $this->settings->transferDelayMs, isForTest: ! $this->isOutageQualified);
        }
        if ($this->engine?->isStartContactClosed === true && $this->hasNoDemand($n)) {
            if (! $this->engine->state->turnsByItself()) {
                $this->openContact($t, ContactReason::NoDemand);
            } elseif (! $this->cooldown->isRunning) {
                $minRunLeftMs = $this->engine->firedAtMs + $this->settings->minRunMs - $t;
                $this->cooldown->start(
                    $t,
                    max((int) $this->settings->cooldownMs, $minRunLeftMs),
                    isMinimumRun: $minRunLeftMs > (int) $this->settings->cooldownMs,
                );
            }
        }
    }

    private function actOnEmergency(int $t, bool $n, bool $e): void
    {
        if (! $n) {
            $this->closeContact($t, ContactReason::StayOnEmergency);
        } elseif (! $e) {
            $this->log->add(new ReturnBypassed($t));
            $this->mechanism->transfer($t, Side::Normal, TransferReason::Bypass);
        } elseif ($this->test !== TestKind::Load && ! $this->returnDelay->isRunning) {
            $this->returnDelay->start($t, (int) $this->settings->returnDelayMs);
        }
    }

    private function wantsTransfer(): bool
    {
        return $this->isOutageQualified || $this->test === TestKind::Load;
    }

    /** Rule 7. */
    private function hasNoDemand(bool $n): bool
    {
        return $this->mechanism->closedOn === Side::Normal && $n && ! $this->isOutageQualified && $this->test === TestKind::None;
    }

    private function refusal(): ?string
    {
        return match (true) {
            ! $this->isAuto => 'the selector is off',
            $this->engine === null => 'two standing sources have nothing to test in this way',
            $this->test !== TestKind::None => 'a test is under way',
            ! $this->normal->isDeclaredGood => 'the utility is not good',
            $this->mechanism->closedOn !== Side::Normal => 'the load is not on the utility',
            default => null,
        };
    }

    private function acceptTest(int $t, bool $withLoad, ?int $forMs, TestCause $cause): void
    {
        $this->test = $withLoad ? TestKind::Load : TestKind::NoLoad;
        $this->testDueMs = $forMs === null ? Signal::NEVER : $t + $forMs;
        $this->log->add(new TestStarted($t, $withLoad, $cause));
        $this->closeContact($t, ContactReason::Test);
    }

    private function endTest(int $t, TestEnd $reason): void
    {
        $this->test = TestKind::None;
        $this->testDueMs = Signal::NEVER;
        $this->log->add(new TestEnded($t, $reason));
    }

    private function closeContact(int $t, ContactReason $reason): void
    {
        if ($this->engine !== null && ! $this->engine->isStartContactClosed) {
            $this->engine->isStartContactClosed = true;
            $this->log->add(new StartContactClosed($t, $reason));
        }
    }

    private function openContact(int $t, ContactReason $reason): void
    {
        if ($this->engine !== null && $this->engine->isStartContactClosed) {
            $this->engine->isStartContactClosed = false;
            $this->log->add(new StartContactOpened($t, $reason));
        }
    }
}
