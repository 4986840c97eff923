<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\SourceNames;

/** The target was lost on the way and the other side is good: it closes there instead. */
final class TransferReversed extends Event
{
    public function __construct(public int $tMs, private readonly Side $to) {}

    public function kind(): EventKind
    {
        return EventKind::TransferReversed;
    }

    public function keys(): array
    {
        return ['to' => $this->to->value];
    }

    public function detail(): string
    {
        return $this->to->value;
    }

    public function headline(SourceNames $names): string
    {
        return 'Switch turns back to the ' . $names->name($this->to);
    }

    public function because(SourceNames $names): string
    {
        return 'the side it was going to was lost while it moved, and the other one is good.';
    }
}
