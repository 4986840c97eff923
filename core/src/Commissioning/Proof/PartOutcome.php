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
}
