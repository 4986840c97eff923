<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Reading;
use Escapement\Core\Simulation\SourceNames;
use Escapement\Core\Simulation\SystemState;

/** Inside every pick-up again: declared good at once. */
final class SourceReturned extends Event
{
    public function __construct(public int $tMs, public readonly Side $source, private readonly Reading $reading) {}

    public function kind(): EventKind
    {
        return EventKind::SourceReturned;
    }

    public function keys(): array
    {
        return ['source' => $this->source->value];
    }

    public function change(SystemState $state): void
    {
        $state->declare($this->source, true);
    }

    public function detail(): string
    {
        return $this->source->value;
    }

    public function headline(SourceNames $names): string
    {
        return ucfirst($names->name($this->source)) . ' counts as good';
    }

    public function because(SourceNames $names): string
    {
        $name = $names->name($this->source);

        return sprintf('the %s is inside every pick-up at %s; whether it stays is for a delay to prove.', $name, $this->reading->volts());
    }
}
