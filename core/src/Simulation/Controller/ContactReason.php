<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Controller;

/** Why the start contact closed or opened. */
enum ContactReason
{
    case StartDelay;
    case Test;
    case StayOnEmergency;
    case Cooldown;
    case Selector;
    case NoDemand;
}
