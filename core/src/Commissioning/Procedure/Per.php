<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** What a row of the table is repeated for. */
enum Per: string
{
    case Once = 'once';
    /** Each voltage channel: leg or phase to neutral. */
    case Leg = 'leg';
    /** Each device of the one-line that isolates. */
    case Isolator = 'isolator';
    /** Each load that must run. */
    case MustRun = 'must_run';
    /** Quarter steps of a load bank. */
    case Quarter = 'quarter';
}
