<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** Where a conductor lies: outdoors and damp counts as wet. Rule: docs/rules.md#conductor. */
enum Location: string
{
    case Dry = 'dry';
    case Wet = 'wet';
    case Buried = 'buried';
}
