<?php

declare(strict_types=1);

namespace Escapement\Core\Controller;

use Escapement\Core\Rehearsal\Log;
use Escapement\Core\Sensing\Signal;
use Escapement\Core\Site\Side;

/**
 * The switch itself: closed on one side, or moving in between. It never knows both sides closed, because a movement
 * begins by opening and the position is one value. Rule: timing §5.8.
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

    /** @param array<string, mixed> $why */
    public function transfer(int $t, Side $to, array $why = []): void
    {
        $this->closedOn = null;
        $this->target = $to;
        $this->dueMs = $t + $this->moveMs;
        $this->log->add($t, 'switch_opened', ['from' => $to->other()->value], $why + ['move_ms' => $this->moveMs]);
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
            $this->log->add($t, 'transfer_reversed', ['to' => $to->value]);
        }
        $this->dueMs = Signal::NEVER;
        $this->closedOn = $to;
        $this->log->add($t, 'switch_closed', ['to' => $to->value], ['move_ms' => $this->moveMs]);

        return $to;
    }
}
