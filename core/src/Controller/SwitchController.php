<?php

declare(strict_types=1);

namespace Escapement\Core\Controller;

use Escapement\Core\Engine\EngineRun;
use Escapement\Core\Rehearsal\Log;
use Escapement\Core\Sensing\Signal;
use Escapement\Core\Sensing\Watch;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Site\Side;

/**
 * The controller of a utility/generator switch, and of a switch between two standing sources. Rule: timing §5.
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
        private readonly Watch $normal,
        private readonly Watch $emergency,
        private readonly Mechanism $mechanism,
        private readonly ?EngineRun $engine,
        private readonly Log $log,
    ) {
        $this->startDelay = new Timer('start_delay', $log);
        $this->transferDelay = new Timer('transfer_delay', $log);
        $this->returnDelay = new Timer('return_delay', $log);
        $this->cooldown = new Timer('cooldown', $log);
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
            $this->endTest($t, 'finished');
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
        return min($this->startDelay->dueMs, $this->transferDelay->dueMs, $this->returnDelay->dueMs, $this->cooldown->dueMs, $this->testDueMs);
    }

    public function test(): TestKind
    {
        return $this->test;
    }

    public function startTest(int $t, bool $withLoad, ?int $forMs): void
    {
        $refusal = $this->refusal();
        if ($refusal !== null) {
            $this->log->add($t, 'test_refused', ['reason' => $refusal]);

            return;
        }
        $this->acceptTest($t, $withLoad, $forMs, 'command');
    }

    public function exercise(int $t, bool $withLoad, int $forMs): void
    {
        $refusal = $this->refusal();
        if ($refusal !== null) {
            $this->log->add($t, 'exercise_skipped', ['reason' => $refusal]);

            return;
        }
        $this->acceptTest($t, $withLoad, $forMs, 'exercise');
    }

    public function stopTest(int $t): void
    {
        if ($this->test !== TestKind::None) {
            $this->endTest($t, 'stopped');
        }
    }

    public function select(int $t, string $to): void
    {
        if (($to === 'auto') === $this->isAuto) {
            return;
        }
        $this->isAuto = $to === 'auto';
        $this->log->add($t, 'selector_changed', ['to' => $to]);
        if ($this->isAuto) {
            return;
        }
        foreach ([$this->startDelay, $this->transferDelay, $this->returnDelay, $this->cooldown] as $timer) {
            $timer->cancel($t, ['cut' => 'selector', 'n' => $this->normal->isDeclaredGood]);
        }
        if ($this->test !== TestKind::None) {
            $this->endTest($t, 'selector');
        }
        $this->isOutageQualified = false;
        $this->openContact($t, 'selector');
    }

    /** Rules 2, 5 and 9. A test ends when its reason arises, moving or not. */
    private function endWhatTheSourcesEnd(int $t, bool $n, bool $e): void
    {
        if ($this->mechanism->closedOn === Side::Normal && $n && $this->isOutageQualified && ! $this->settings->commitToTransfer) {
            $this->isOutageQualified = false;
            $this->log->add($t, 'outage_abandoned');
        }
        if ($this->test !== TestKind::None && ! $n) {
            $this->endTest($t, 'outage');
        } elseif ($this->test === TestKind::Load && $this->mechanism->closedOn === Side::Emergency && ! $e) {
            $this->endTest($t, 'emergency_lost');
        }
    }

    private function cancelBroken(int $t, bool $n, bool $e): void
    {
        $isOnNormal = $this->mechanism->closedOn === Side::Normal;
        if ($this->startDelay->isRunning && ! ($isOnNormal && ! $n && ! $this->isOutageQualified)) {
            $this->startDelay->cancel($t, ['cut' => 'normal_returned', 'n' => $n]);
        }
        if ($this->transferDelay->isRunning && ! ($isOnNormal && $e && $this->wantsTransfer())) {
            $this->transferDelay->cancel($t, ['cut' => $e ? 'no_reason_to_transfer' : 'emergency_lost', 'n' => $n]);
        }
        if ($this->returnDelay->isRunning && ! (! $isOnNormal && $n && $e && $this->test !== TestKind::Load)) {
            $this->returnDelay->cancel($t, ['cut' => $n ? 'emergency_lost' : 'normal_lost', 'n' => $n]);
        }
        if ($this->cooldown->isRunning && ! ($this->hasNoDemand($n) && $this->engine?->isStartContactClosed && $this->engine->state->turnsByItself())) {
            $this->cooldown->cancel($t, ['cut' => $n ? ($this->test === TestKind::None ? 'engine_gone' : 'test') : 'normal_lost', 'n' => $n]);
        }
    }

    private function expire(int $t): void
    {
        if ($this->startDelay->expires($t)) {
            $this->isOutageQualified = true;
            $this->closeContact($t, 'start_delay');
        }
        if ($this->transferDelay->expires($t)) {
            $this->mechanism->transfer($t, Side::Emergency, ['for' => $this->isOutageQualified ? 'outage' : 'test']);
        }
        if ($this->returnDelay->expires($t)) {
            $this->mechanism->transfer($t, Side::Normal, ['for' => 'return']);
        }
        if ($this->cooldown->expires($t)) {
            $this->openContact($t, 'cooldown');
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
            $this->transferDelay->start($t, $this->settings->transferDelayMs, ['for' => $this->isOutageQualified ? 'outage' : 'test']);
        }
        if ($this->engine?->isStartContactClosed && $this->hasNoDemand($n)) {
            if (! $this->engine->state->turnsByItself()) {
                $this->openContact($t, 'no_demand');
            } elseif (! $this->cooldown->isRunning) {
                $minRunLeftMs = $this->engine->firedAtMs + $this->settings->minRunMs - $t;
                $this->cooldown->start($t, max((int) $this->settings->cooldownMs, $minRunLeftMs), [
                    'min_run' => $minRunLeftMs > (int) $this->settings->cooldownMs,
                ]);
            }
        }
    }

    private function actOnEmergency(int $t, bool $n, bool $e): void
    {
        if (! $n) {
            $this->closeContact($t, 'stay');
        } elseif (! $e) {
            $this->log->add($t, 'return_bypassed');
            $this->mechanism->transfer($t, Side::Normal, ['for' => 'bypass']);
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

    private function acceptTest(int $t, bool $withLoad, ?int $forMs, string $cause): void
    {
        $this->test = $withLoad ? TestKind::Load : TestKind::NoLoad;
        $this->testDueMs = $forMs === null ? Signal::NEVER : $t + $forMs;
        $this->log->add($t, 'test_started', ['with_load' => $withLoad, 'cause' => $cause], ['for_ms' => $forMs]);
        $this->closeContact($t, 'test');
    }

    private function endTest(int $t, string $reason): void
    {
        $this->test = TestKind::None;
        $this->testDueMs = Signal::NEVER;
        $this->log->add($t, 'test_ended', ['reason' => $reason]);
    }

    private function closeContact(int $t, string $for): void
    {
        if ($this->engine !== null && ! $this->engine->isStartContactClosed) {
            $this->engine->isStartContactClosed = true;
            $this->log->add($t, 'start_contact_closed', [], ['for' => $for]);
        }
    }

    private function openContact(int $t, string $for): void
    {
        if ($this->engine !== null && $this->engine->isStartContactClosed) {
            $this->engine->isStartContactClosed = false;
            $this->log->add($t, 'start_contact_opened', [], ['for' => $for, 'n' => $this->normal->isDeclaredGood]);
        }
    }
}
