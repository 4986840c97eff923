<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

/** Why the switch left the side it was closed on. */
enum TransferReason
{
    case Outage;
    case Test;
    case Return;
    case Bypass;
    case Relay;
    case RelayRelease;
    case Hand;
}
