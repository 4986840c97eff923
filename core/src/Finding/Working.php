<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/** Collects the lines of arithmetic behind an answer, in reading order. */
final class Working
{
    /** @var list<WorkingLine> */
    public array $lines = [];

    public function add(string $label, string $expression, int|float|string|null $value, string $unit): void
    {
        $this->lines[] = new WorkingLine($label, $expression, is_float($value) ? round($value, 6) : $value, $unit);
    }
}
