<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Plant;
use Escapement\Core\Settings\Settings;

/** How long after the last event of a script everything has surely come to rest. */
final readonly class SettlingTime
{
    private const SPARE_MS = 60_000;

    public static function ms(Plant $plant, Settings $settings): int
    {
        $engine = $plant->engine;
        $cranksMs = $engine === null
            ? 0
            : $engine->crankAttempts * ($engine->crankLimitMs + $engine->crankRestMs) + $engine->runUpMs + $engine->stopMs;

        return $settings->normal
            ->dropoutDelayMs + (int) $settings
            ->startDelayMs + $cranksMs + $settings
            ->transferDelayMs + 2 * $settings
            ->moveMs()
            + (int) $settings->returnDelayMs + max((int) $settings->cooldownMs, $settings->minRunMs) + self::SPARE_MS;
    }
}
