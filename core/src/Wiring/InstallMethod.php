<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

/** How a cable in mm² is laid, which decides what it carries away as heat. Rule: docs/rules.md#conductor. */
enum InstallMethod: string
{
    case ConduitSingleCores = 'B1';
    case ConduitMulticore = 'B2';
    case Clipped = 'C';
    case DuctInGround = 'D1';
    case DirectInGround = 'D2';

    public function isInGround(): bool
    {
        return $this === self::DuctInGround || $this === self::DirectInGround;
    }

    /** What the tables start from: the ground is cooler than the air. */
    public function referenceC(): float
    {
        return $this->isInGround() ? 20.0 : 30.0;
    }
}
