<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** Where a part of a proof stands. Rule: docs/rules.md#proof. */
enum PartState: string
{
    case Proved = 'proved';
    case Failed = 'failed';
    case Open = 'open';
    /** Proved, and something it rests on has changed since. */
    case Stale = 'stale';
    case NotAsked = 'not_asked';

    public function label(): string
    {
        return match ($this) {
            self::Proved => 'proved',
            self::Failed => 'failed',
            self::Open => 'not proved',
            self::Stale => 'changed since it was proved',
            self::NotAsked => 'not tested',
        };
    }
}
