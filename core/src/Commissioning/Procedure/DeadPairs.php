<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Plant\Plant;

/** Between what a tester must find nothing: every pair of conductors, and each to ground. Rule: docs/rules.md#procedure. */
final readonly class DeadPairs
{
    /** @return list<string> such as "L1–L2", hots first */
    public static function of(Plant $plant): array
    {
        $conductors = [...array_slice(['L1', 'L2', 'L3'], 0, max($plant->normal->phases, $plant->emergency->phases)), 'N', 'ground'];
        $pairs = [];
        foreach ($conductors as $i => $one) {
            foreach (array_slice($conductors, $i + 1) as $other) {
                $pairs[] = "{$one}–$other";
            }
        }

        return $pairs;
    }
}
