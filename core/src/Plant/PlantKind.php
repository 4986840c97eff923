<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

enum PlantKind: string
{
    /** Utility preferred, the controller starts an engine. */
    case Standby = 'standby';
    /** Two standing supplies, the first preferred, no engine. */
    case TwoSource = 'two_source';
    /** Relay biased to a generator that is started by hand. */
    case Mobile = 'mobile';

    public function hasEngine(): bool
    {
        return $this !== self::TwoSource;
    }

    /** The start contact is the controller's pair of wires to the engine; a mobile relay has none. */
    public function hasStartContact(): bool
    {
        return $this === self::Standby;
    }
}
