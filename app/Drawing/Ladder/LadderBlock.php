<?php

declare(strict_types=1);

namespace App\Drawing\Ladder;

use Escapement\Core\RelayLogic\Expression;

/** How much room a part of a rung takes: columns of contacts side by side, rows of branches one below another. */
final readonly class LadderBlock
{
    /** @param list<self> $parts */
    private function __construct(public Expression $part, public int $columns, public int $rows, public array $parts) {}

    public static function of(Expression $part): self
    {
        if ($part->contact !== null || $part->parts === []) {
            return new self($part, 1, 1, []);
        }
        $parts = array_map(self::of(...), $part->parts);
        $columns = array_map(static fn(self $one): int => $one->columns, $parts);
        $rows = array_map(static fn(self $one): int => $one->rows, $parts);

        return $part->kind === 'all'
            ? new self($part, array_sum($columns), max($rows), $parts)
            : new self($part, max($columns), array_sum($rows), $parts);
    }
}
