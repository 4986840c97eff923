<?php

declare(strict_types=1);

namespace App\Drawing\Panel;

/** What the one-line of a three-phase panel shows beside its boxes, as it was surveyed; null: not known. */
final readonly class PanelMarks
{
    /** @param list<WayMark> $ways in their order on the board */
    public function __construct(
        public ?int $poles,
        public ?bool $firstEarthed,
        public ?bool $secondEarthed,
        public ?string $transformers,
        public ?float $bankKvar,
        public ?string $busbar,
        public array $ways,
    ) {}

    public static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }
}
