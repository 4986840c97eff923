<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Bench\ReadyHands;
use Escapement\Core\Plant\PlantKind;

/** The cases that stand ready on the bench, of every kind of plant. */
final class GoldenHands
{
    /** @return array<string, mixed> */
    public static function golden(): array
    {
        $golden = [];
        foreach (PlantKind::cases() as $kind) {
            foreach ([1, 2, 3] as $phases) {
                $golden["$kind->value, $phases"] = (new ReadyHands($kind, $phases))->all();
            }
        }

        return $golden;
    }
}
