<?php

declare(strict_types=1);

namespace Escapement\Core\Planning;

/**
 * Hours of work that each way of carrying the load takes, beside the installation itself. Planning figures of ours, for
 * the technician to weigh. Rule: docs/rules.md#site-plan: essential circuits cost a day of moving them, the whole house asks nothing.
 */
final readonly class Labour
{
    private const PANEL_H = 3.0;
    private const CIRCUIT_H = 0.5;
    private const MODULE_H = 1.0;

    /** @return array{whole: float, managed: float, essential: float} person-hours */
    public static function more(int $essentialCircuits, int $managedLoads): array
    {
        return [
            'whole' => 0.0,
            'managed' => self::MODULE_H * $managedLoads,
            'essential' => self::PANEL_H + self::CIRCUIT_H * $essentialCircuits,
        ];
    }
}
