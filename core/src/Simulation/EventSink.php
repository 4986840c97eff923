<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/** Receives each event as it happens: the list, the metrics, a season's outcomes. */
interface EventSink
{
    public function take(Event $event): void;
}
