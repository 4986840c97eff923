<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event\SwitchClosed;
use Escapement\Core\Simulation\Event\SwitchOpened;
use Escapement\Core\Simulation\Event\TransferReversed;
use Escapement\Core\Simulation\Log;
use Escapement\Core\Simulation\Sensing\Signal;

/**
 * The switch itself: closed on one side, or moving in between. It never knows both sides closed, because a movement
 * begins by opening and the position is one value. Rule: docs/rules.md#controller.
 */
final class Mechanism
{
    public int $dueMs = Signal::NEVER;
    private Side $target;

    /** @param ?Side $closedOn null while moving */
    public function __construct(public ?Side $closedOn, private readonly int $moveMs, private readonly Log $log)
    {
        $this->target = $closedOn ?? Side::Normal;
    }

    public function isMoving(): bool
    {
        return $this->closedOn === null;
    }

    public function transfer(int $t, Side $to, TransferReason $reason): void
    {
        $this->closedOn = null;
        $this->target = $to;
        $this->dueMs = $t + $this->moveMs;
        $this->log->add(new SwitchOpened($t, $to->other(), $reason));
    }

    /** The handle takes it from the side it is closed on to the other one, within the millisecond. */
    public function byHand(int $t, Side $to): void
    {
        $this->log->add(new SwitchOpened($t, $to->other(), TransferReason::Hand));
        $this->closedOn = $to;
        $this->target = $to;
        $this->log->add(new SwitchClosed($t, $to, 0));
    }

    /** @return ?Side the side that has just closed */
    public function complete(int $t, bool $isNormalGood, bool $isEmergencyGood): ?Side
    {
        if ($t < $this->dueMs) {
            return null;
        }
        $isTargetGood = $this->target === Side::Normal ? $isNormalGood : $isEmergencyGood;
        $isOtherGood = $this->target === Side::Normal ? $isEmergencyGood : $isNormalGood;
        $to = $this->target;
        if (! $isTargetGood && $isOtherGood) {
            $to = $this->target->other();
            $this->log->add(new TransferReversed($t, $to));
        }
        $this->dueMs = Signal::NEVER;
        $this->closedOn = $to;
        $this->log->add(new SwitchClosed($t, $to, $this->moveMs));

        return $to;
    }
}
