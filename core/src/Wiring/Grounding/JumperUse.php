<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Grounding;

/**
 * Where a bonding jumper stands: once at the service or the source, or on the supply side in each raceway. Rule:
 * docs/rules.md#grounding.
 */
enum JumperUse: string
{
    case SupplySide = 'supply_side';
    case Main = 'main';
    case System = 'system';
}
