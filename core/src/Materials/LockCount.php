<?php

declare(strict_types=1);

namespace Escapement\Core\Materials;

use Escapement\Core\Topology\OneLine;

/** How many locks the isolation of a site takes. Rule: docs/rules.md#materials. */
final readonly class LockCount
{
    /** Another person on site has a lock of their own. */
    private const EXTRA_PERSON = 1;

    /** Sources that are stopped or unplugged here; the utility locks its own. */
    private const OWN_SOURCES = ['generator', 'inverter', 'shore'];

    private const LEAST = 2;
    private const STORES = ['battery', 'capacitor', 'ups'];

    public static function of(OneLine $drawing): int
    {
        $count = self::EXTRA_PERSON;
        foreach ($drawing->elements as $e) {
            $count += match (true) {
                $e->type === 'source' && $e->kind === 'generator' => 2, // its breaker, and its start battery
                $e->type === 'source' && in_array($e->kind, self::OWN_SOURCES, true) => 1,
                in_array($e->type, self::STORES, true) => 1,
                default => 0,
            };
        }

        return max(self::LEAST, $count);
    }
}
