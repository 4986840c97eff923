<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** Control circuits that a new panel begins with. Rule: docs/rules.md#relay-check. */
final readonly class StandardCircuits
{
    /**
     * @return array<string, array{name: string, sentence: string, kinds: list<string>, circuit: array<string, mixed>,
     *     supplies: array<string, mixed>}> by key; `circuit` as `relay_check` reads it, `supplies` as `relay_play` does
     */
    public static function all(): array
    {
        /** @var array<string, array{name: string, sentence: string, kinds: list<string>, circuit: array<string, mixed>,
         *     supplies: array<string, mixed>}> $table */
        $table = require __DIR__ . '/../../data/standard_circuits.php';

        return $table;
    }
}
