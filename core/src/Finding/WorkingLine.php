<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/** One line of the arithmetic behind a figure, in the words of the sheet. */
final readonly class WorkingLine
{
    public function __construct(
        public string $label,
        public string $expression,
        public int|float|string|null $value,
        public string $unit,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['label' => $this->label, 'expression' => $this->expression, 'value' => $this->value, 'unit' => $this->unit];
    }
}
