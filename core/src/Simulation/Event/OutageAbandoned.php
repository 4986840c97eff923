<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;

/** The normal source came back before the switch had moved. */
final class OutageAbandoned extends Event
{
    public function __construct(public int $tMs) {}

    public function kind(): EventKind
    {
        return EventKind::OutageAbandoned;
    }

    public function headline(SourceNames $names): string
    {
        return 'Transfer called off';
    }

    public function because(SourceNames $names): string
    {
        return "the $names->normal came back before the switch had moved.";
    }
}
