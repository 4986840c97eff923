<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;

/** Back to the normal source without waiting: the other one is gone. */
final class ReturnBypassed extends Event
{
    public function __construct(public int $tMs) {}

    public function kind(): EventKind
    {
        return EventKind::ReturnBypassed;
    }

    public function headline(SourceNames $names): string
    {
        return 'Return delay bypassed';
    }

    public function because(SourceNames $names): string
    {
        return "the $names->emergency was lost while the $names->normal is good.";
    }
}
