<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation\Sensing;

/** The limits that are watched on a source. Rule: docs/rules.md#sensing. */
enum Latch
{
    case UnderVoltage;
    case OverVoltage;
    case Unbalance;
    case UnderFrequency;
    case OverFrequency;
    case Rotation;
}
