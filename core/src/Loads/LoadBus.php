<?php

declare(strict_types=1);

namespace Escapement\Core\Loads;

use Escapement\Core\Internal\Decimal;
use Escapement\Core\Rehearsal\Log;
use Escapement\Core\Sensing\Signal;
use Escapement\Core\Settings\LoadShed;
use Escapement\Core\Site\Load;
use Escapement\Core\Site\Side;

/** The bus behind the switch and the loads on it: live or dead, connected or shed. Rule: timing §6. */
final class LoadBus
{
    public bool $isLive;

    /** @var array<int, int|float> kW in the common unit, by place in the list */
    private array $kw = [];
    /** @var array<string, int> */
    private array $placeById = [];
    /** @var array<int, int> place => end of its lock-out; only shed loads are here */
    private array $shedUntil = [];
    /** @var list<int> places by ascending priority, then list order: who comes back first */
    private readonly array $restoreOrder;
    private readonly int $places;
    private readonly int|float $limitKw;
    /** @var list<Side> */
    private array $closings = [];
    private ?int $stepsFromMs = null;
    private int $lastStepMs = -1;
    private int $stepDueMs = Signal::NEVER;
    private int $overloadDueMs = Signal::NEVER;
    private bool $isOverloadReported = false;
    private int|float $carriedKw = 0;

    /**
     * @param list<Load>      $loads
     * @param list<int|float> $kwUsed every figure that set_load gives
     */
    public function __construct(
        private readonly array $loads,
        private readonly ?LoadShed $shedding,
        array $kwUsed,
        private readonly Signal $normal,
        private readonly Signal $emergency,
        Side $initial,
        private readonly Log $log,
    ) {
        $this->places = Decimal::placesOfAll([...array_map(static fn(Load $load): int|float => $load->kw, $loads), ...$kwUsed, $shedding->limitKw ?? 0]);
        $this->limitKw = Decimal::scaled($shedding->limitKw ?? 0, $this->places);
        $order = [];
        foreach ($loads as $place => $load) {
            $this->kw[] = Decimal::scaled($load->kw, $this->places);
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
        $scaled = Decimal::scaled($kw, $this->places);
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
            $this->log->add($t, $isLive ? 'bus_live' : 'bus_dead', [], ['side' => $closedOn?->value]);
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
                $this->shedLoad($t, $place, 'transfer', $load->isCompressor ? $t + $this->shedding->lockoutMs : $t);
            }
        }
    }

    private function restoreAll(int $t): void
    {
        foreach ($this->loads as $place => $load) {
            if (isset($this->shedUntil[$place])) {
                $this->restoreLoad($t, $place, 'normal');
            }
        }
    }

    private function judgeOverload(int $t, LoadShed $shedding): void
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
                $this->log->add($t, 'overload_unresolved', [], $this->carrying());

                return;
            }
            $this->shedLoad($t, $place, 'overload', $t + $shedding->lockoutMs);
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
    private function takeSteps(int $t, LoadShed $shedding): void
    {
        $step = $this->nextStepMs($t, $shedding->stepMs);
        if ($step === $t) {
            foreach ($this->restoreOrder as $place) {
                if (isset($this->shedUntil[$place]) && $this->shedUntil[$place] <= $t && $this->carriedKw + $this->kw[$place] <= $this->limitKw) {
                    $this->restoreLoad($t, $place, 'step');
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

    private function shedLoad(int $t, int $place, string $reason, int $lockedUntilMs): void
    {
        $before = $this->carrying();
        $this->shedUntil[$place] = $lockedUntilMs;
        $this->carriedKw -= $this->kw[$place];
        $this->log->add($t, 'load_shed', ['load' => $this->loads[$place]->id, 'reason' => $reason], $before + [
            'load_kw' => $this->read($this->kw[$place]), 'locked_ms' => $lockedUntilMs - $t,
        ]);
    }

    private function restoreLoad(int $t, int $place, string $reason): void
    {
        $before = $this->carrying();
        unset($this->shedUntil[$place]);
        $this->carriedKw += $this->kw[$place];
        $this->log->add($t, 'load_restored', ['load' => $this->loads[$place]->id, 'reason' => $reason], $before + [
            'load_kw' => $this->read($this->kw[$place]),
        ]);
    }

    /** @return array<string, int|float> */
    private function carrying(): array
    {
        return ['carried_kw' => $this->read($this->carriedKw), 'limit_kw' => $this->read($this->limitKw)];
    }

    private function read(int|float $scaled): int|float
    {
        return $scaled / 10 ** $this->places;
    }
}
