<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** What one run says to a part of a proof. */
enum PartOutcome: string
{
    case Proved = 'proved';
    case Failed = 'failed';
    /** Begun, and not carried to its end. */
    case Open = 'open';
    /** Not looked at in this run: an earlier proof keeps its date. */
    case Untouched = 'untouched';

    public function title(): string
    {
        return match ($this) {
            self::Proved => 'Proves',
            self::Failed => 'Fails',
            self::Open => 'Leaves open',
            self::Untouched => 'Not part of this run',
        };
    }
}
