<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

enum StepState: string
{
    case Open = 'open';
    /** Waits for a step that is not proved. */
    case Locked = 'locked';
    case Done = 'done';
    case Noted = 'noted';
    case Skipped = 'skipped';
    /** Answered, and not as it should be. */
    case NotSo = 'not_so';
    /** A finding of the plan stands against it: it cannot be called done. */
    case Stopped = 'stopped';
    /** Answered to another expectation than the one of now. */
    case Reopened = 'reopened';

    public function isClosed(): bool
    {
        return $this === self::Done || $this === self::Noted || $this === self::Skipped;
    }
}
