<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Event;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\SourceNames;

/** Over the limit with nothing left to shed. */
final class OverloadUnresolved extends Event
{
    public function __construct(public int $tMs, private readonly int|float $carriedKw, private readonly int|float $limitKw) {}

    public function kind(): EventKind
    {
        return EventKind::OverloadUnresolved;
    }

    public function headline(SourceNames $names): string
    {
        return 'Overload stays';
    }

    public function because(SourceNames $names): string
    {
        return sprintf(
            '%s kW is over the limit of %s kW and there is nothing left to shed.',
            Figures::figure($this->carriedKw),
            Figures::figure($this->limitKw),
        );
    }
}
