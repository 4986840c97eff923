<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Loads;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Simulation\Event\BusDead;
use Escapement\Core\Simulation\Event\BusLive;
use Escapement\Core\Simulation\Event\LoadRestored;
use Escapement\Core\Simulation\Event\LoadShed;
use Escapement\Core\Simulation\Event\OverloadUnresolved;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\Signal;
use Escapement\Core\Simulation\Units;

/** The bus behind the switch and the loads on it: live or dead, connected or shed. Rule: docs/rules.md#load-bus. */
final class LoadBus
{
    public bool $isLive;

    /** @var array<int, int> load in the units of kilowatts, by place in the list */
    private array $kw = [];
    /** @var array<string, int> */
    private array $placeById = [];
    /** @var array<int, int> place => end of its lock-out; only shed loads are here */
    private array $shedUntil = [];
    /** @var list<int> places by ascending priority, then list order: who comes back first */
    private readonly array $restoreOrder;
    private readonly int $limitKw;
    /** @var list<Side> */
    private array $closings = [];
    private ?int $stepsFromMs = null;
    private int $lastStepMs = -1;
    private int $stepDueMs = Signal::NEVER;
    private int $overloadDueMs = Signal::NEVER;
    private bool $isOverloadReported = false;
    private int $carriedKw = 0;

    /** @param list<Load> $loads */
    public function __construct(
        private readonly array $loads,
        private readonly ?LoadShedding $shedding,
        private readonly Signal $normal,
        private readonly Signal $emergency,
        Side $initial,
        private readonly Log $log,
    ) {
        $this->limitKw = Units::kilowatts($shedding->limitKw ?? 0);
        $order = [];
        foreach ($loads as $place => $load) {
            $this->kw[] = Units::kilowatts($load->kw);
            $this->placeById[$load->id] = $place;
            $order[$place] = [$load->priority, $place];
        }
        asort($order);
        $this->restoreOrder = array_keys($order);
        $this->carriedKw = array_sum($this->kw);
        $this->isLive = $this->signal($initial)->isLive(0);
    }

    public function setLoad(string $id, int|float $kw): void
    {
        $place = $this->placeById[$id];
        $scaled = Units::kilowatts($kw);
        if (! isset($this->shedUntil[$place])) {
            $this->carriedKw += $scaled - $this->kw[$place];
        }
        $this->kw[$place] = $scaled;
    }

    /** The switch has closed; what follows from it comes at the end of the millisecond. */
    public function closed(Side $side): void
    {
        $this->closings[] = $side;
    }

    public function nextDueMs(): int
    {
        return min($this->stepDueMs, $this->overloadDueMs);
    }

    /** @return list<string> ids in list order */
    public function shed(): array
    {
        $ids = [];
        foreach ($this->loads as $place => $load) {
            if (isset($this->shedUntil[$place])) {
                $ids[] = $load->id;
            }
        }

        return $ids;
    }

    /** Step (f) of a millisecond: bus, shed or restore on a closing, overload, steps. */
    public function settle(int $t, ?Side $closedOn): void
    {
        $this->lookAtBus($t, $closedOn);
        if ($this->closings !== []) {
            foreach ($this->closings as $side) {
                $side === Side::Emergency ? $this->shedForTransfer($t) : $this->restoreAll($t);
            }
            $this->closings = [];
        }
        if ($this->shedding === null) {
            return;
        }
        if ($closedOn !== Side::Emergency || ! $this->isLive) {
            $this->stepsFromMs = null;
            $this->stepDueMs = Signal::NEVER;
            $this->overloadDueMs = Signal::NEVER;
            $this->isOverloadReported = false;

            return;
        }
        if ($this->stepsFromMs === null) {
            $this->stepsFromMs = $t + $this->shedding->firstStepMs;
            $this->lastStepMs = $this->stepsFromMs - 1;
        }
        $this->judgeOverload($t, $this->shedding);
        $this->takeSteps($t, $this->shedding);
    }

    private function lookAtBus(int $t, ?Side $closedOn): void
    {
        $isLive = $closedOn !== null && $this->signal($closedOn)->isLive($t);
        if ($isLive !== $this->isLive) {
            $this->isLive = $isLive;
            $this->log->add($isLive && $closedOn !== null ? new BusLive($t, $closedOn) : new BusDead($t, $closedOn));
        }
    }

    private function signal(Side $side): Signal
    {
        return $side === Side::Normal ? $this->normal : $this->emergency;
    }

    private function shedForTransfer(int $t): void
    {
        $this->stepsFromMs = null;
        if ($this->shedding === null) {
            return;
        }
        foreach ($this->loads as $place => $load) {
            if ($load->shed && ! isset($this->shedUntil[$place])) {
                $this->shedLoad($t, $place, ShedReason::Transfer, $load->isCompressor ? $t + $this->shedding->lockoutMs : $t);
            }
        }
    }

    private function restoreAll(int $t): void
    {
        foreach ($this->loads as $place => $load) {
            if (isset($this->shedUntil[$place])) {
                $this->restoreLoad($t, $place, ShedReason::Normal);
            }
        }
    }

    private function judgeOverload(int $t, LoadShedding $shedding): void
    {
        if ($this->carriedKw <= $this->limitKw) {
            $this->overloadDueMs = Signal::NEVER;
            $this->isOverloadReported = false;

            return;
        }
        if ($this->overloadDueMs === Signal::NEVER && ! $this->isOverloadReported) {
            $this->overloadDueMs = $t + $shedding->overloadMs;
        }
        while ($t >= $this->overloadDueMs) {
            $place = $this->leastImportant();
            if ($place === null) {
                $this->isOverloadReported = true;
                $this->overloadDueMs = Signal::NEVER;
                $this->log->add(new OverloadUnresolved($t, self::kw($this->carriedKw), self::kw($this->limitKw)));

                return;
            }
            $this->shedLoad($t, $place, ShedReason::Overload, $t + $shedding->lockoutMs);
            $this->overloadDueMs = $this->carriedKw > $this->limitKw ? $t + $shedding->overloadMs : Signal::NEVER;
        }
    }

    /** The connected load that may be shed with the highest priority number, the latest in the list on a tie. */
    private function leastImportant(): ?int
    {
        for ($i = count($this->restoreOrder) - 1; $i >= 0; $i--) {
            $place = $this->restoreOrder[$i];
            if ($this->loads[$place]->shed && ! isset($this->shedUntil[$place])) {
                return $place;
            }
        }

        return null;
    }

    /** Steps on which nothing could come back are passed over by arithmetic, not one by one. */
    private function takeSteps(int $t, LoadShedding $shedding): void
    {
        $step = $this->nextStepMs($t, $shedding->stepMs);
        if ($step === $t) {
            foreach ($this->restoreOrder as $place) {
                if (isset($this->shedUntil[$place])
                    && $this->shedUntil[$place] <= $t
                    && $this->carriedKw + $this->kw[$place] <= $this->limitKw) {
                    $this->restoreLoad($t, $place, ShedReason::Step);
                    break;
                }
            }
            $this->lastStepMs = $t;
            $step = $this->nextStepMs($t, $shedding->stepMs);
        }
        $this->stepDueMs = $step;
    }

    /** The first step from now on, later than the last one taken, at which some load may come back. */
    private function nextStepMs(int $t, int $everyMs): int
    {
        $readyMs = Signal::NEVER;
        foreach ($this->shedUntil as $place => $lockedUntilMs) {
            if ($this->carriedKw + $this->kw[$place] <= $this->limitKw) {
                $readyMs = min($readyMs, $lockedUntilMs);
            }
        }
        if ($readyMs === Signal::NEVER) {
            return Signal::NEVER;
        }
        $fromMs = (int) $this->stepsFromMs;
        $earliestMs = max($readyMs, $t, $this->lastStepMs + 1, $fromMs);

        return $fromMs + intdiv($earliestMs - $fromMs + $everyMs - 1, $everyMs) * $everyMs;
    }

    private function shedLoad(int $t, int $place, ShedReason $reason, int $lockedUntilMs): void
    {
        $carriedKw = self::kw($this->carriedKw);
        $this->shedUntil[$place] = $lockedUntilMs;
        $this->carriedKw -= $this->kw[$place];
        $this->log->add(new LoadShed($t, $this->loads[$place]->id, $reason, $carriedKw, self::kw($this->limitKw), $lockedUntilMs - $t));
    }

    private function restoreLoad(int $t, int $place, ShedReason $reason): void
    {
        $carriedKw = self::kw($this->carriedKw);
        unset($this->shedUntil[$place]);
        $this->carriedKw += $this->kw[$place];
        $loadKw = self::kw($this->kw[$place]);
        $this->log->add(new LoadRestored($t, $this->loads[$place]->id, $reason, $carriedKw, $loadKw, self::kw($this->limitKw)));
    }

    private static function kw(int $units): int|float
    {
        return $units / Units::KILOWATT;
    }
}
