<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;

/** The handle of the switch was pulled where it must not move. */
final class HandleRefused extends Event
{
    public function __construct(public int $tMs) {}

    public function kind(): EventKind
    {
        return EventKind::HandleRefused;
    }

    public function headline(SourceNames $names): string
    {
        return 'Handle refused';
    }

    public function because(SourceNames $names): string
    {
        return 'the selector is not off, the switch moves, or the lever stands there already.';
    }
}
