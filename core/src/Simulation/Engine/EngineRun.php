<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Engine;

use Escapement\Core\Plant\Engine;
use Escapement\Core\Simulation\Event\CrankFailed;
use Escapement\Core\Simulation\Event\CrankStarted;
use Escapement\Core\Simulation\Event\EngineAtSpeed;
use Escapement\Core\Simulation\Event\EngineFired;
use Escapement\Core\Simulation\Event\EngineLockedOut;
use Escapement\Core\Simulation\Event\EngineReset;
use Escapement\Core\Simulation\Event\EngineStopped;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\Signal;

/** The engine through cranking, running up, running and stopping; it makes the emergency voltage. Rule: docs/rules.md#engine. */
final class EngineRun
{
    public EngineState $state = EngineState::Stopped;
    public bool $isStartedByHand = false;
    /** Set by the controller. */
    public bool $isStartContactClosed = false;
    public int $firedAtMs = 0;
    public int $dueMs = Signal::NEVER;

    private int $attempt = 0;
    private bool $attemptFires = true;
    private int $failuresLeft = 0;

    public function __construct(
        private readonly Engine $engine,
        private readonly GeneratorBreaker $signal,
        private readonly Log $log,
    ) {}

    /** How an engine stands that carries the load when the rehearsal begins. */
    public function assumeRunning(): void
    {
        $this->state = EngineState::Running;
        $this->firedAtMs = 0;
    }

    public function failNextCranks(int $count): void
    {
        $this->failuresLeft = $count;
    }

    public function trip(int $t, string $reason): void
    {
        if ($this->state !== EngineState::LockedOut) {
            $this->lockOut($t, $reason);
        }
    }

    public function reset(int $t): void
    {
        if ($this->state === EngineState::LockedOut) {
            $this->state = EngineState::Stopped;
            $this->log->add(new EngineReset($t));
        }
    }

    /** Demand is looked at before what is due: demand gone in the millisecond of the firing means no firing. */
    public function step(int $t): void
    {
        do {
            $before = $this->state;
            $attempt = $this->attempt;
            $this->stepOnce($t);
        } while ($before !== $this->state || $attempt !== $this->attempt);
    }

    private function stepOnce(int $t): void
    {
        $demand = $this->isStartContactClosed || $this->isStartedByHand;
        if ($this->state === EngineState::Stopped) {
            if ($demand) {
                $this->crank($t, 1);
            }
        } elseif (! $demand && $this->state->endsWithDemand()) {
            $this->stop($t);
        } elseif ($t >= $this->dueMs) {
            $this->goOn($t);
        }
    }

    private function goOn(int $t): void
    {
        switch ($this->state) {
            case EngineState::Cranking:
                $this->attemptFires ? $this->fire($t) : $this->failAttempt($t);
                break;
            case EngineState::Resting:
                $this->crank($t, $this->attempt + 1);
                break;
            case EngineState::RunningUp:
                $this->reachSpeed($t);
                break;
            case EngineState::Coasting:
                $this->enter(EngineState::Stopped, Signal::NEVER);
                break;
            default: // nothing is due in the other states
        }
    }

    private function crank(int $t, int $attempt): void
    {
        $this->attempt = $attempt;
        $isSpoilt = $this->failuresLeft > 0;
        if ($isSpoilt) {
            $this->failuresLeft--;
        }
        $this->attemptFires = ! $isSpoilt && $this->engine->crankMs <= $this->engine->crankLimitMs;
        $this->enter(EngineState::Cranking, $t + ($this->attemptFires ? $this->engine->crankMs : $this->engine->crankLimitMs));
        $this->log->add(new CrankStarted(
            $t,
            $attempt,
            $this->engine->crankAttempts,
            $this->isStartedByHand && ! $this->isStartContactClosed,
        ));
    }

    private function fire(int $t): void
    {
        $this->firedAtMs = $t;
        $this->enter(EngineState::RunningUp, $t + $this->engine->runUpMs);
        $this->signal->runUp($t, $this->engine->runUpMs);
        $this->log->add(new EngineFired($t, $this->engine->crankMs, $this->engine->runUpMs));
    }

    private function failAttempt(int $t): void
    {
        $isLast = $this->attempt >= $this->engine->crankAttempts;
        $this->log->add(new CrankFailed($t, $this->attempt, $this->engine->crankLimitMs));
        if ($isLast) {
            $this->lockOut($t, EngineLockedOut::OVERCRANK);
        } else {
            $this->enter(EngineState::Resting, $t + $this->engine->crankRestMs);
        }
    }

    private function reachSpeed(int $t): void
    {
        $this->enter(EngineState::Running, Signal::NEVER);
        $this->signal->setNominal($t);
        $this->log->add(new EngineAtSpeed($t, $this->engine->runUpMs));
    }

    private function stop(int $t): void
    {
        $wasTurning = $this->state->turnsByItself();
        $this->enter(EngineState::Coasting, $t + $this->engine->stopMs);
        $this->signal->setDead($t);
        $this->log->add(new EngineStopped($t, $wasTurning ? $t - $this->firedAtMs : null, $this->engine->stopMs));
    }

    private function lockOut(int $t, string $reason): void
    {
        $this->enter(EngineState::LockedOut, Signal::NEVER);
        $this->signal->setDead($t);
        $this->log->add(new EngineLockedOut($t, $reason, $this->engine->crankAttempts));
    }

    private function enter(EngineState $state, int $dueMs): void
    {
        $this->state = $state;
        $this->dueMs = $dueMs;
    }
}
