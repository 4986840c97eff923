<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Raceway;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** How full a raceway is, in square inches and percent. Rule: docs/rules.md#raceway-fill. */
final readonly class RacewayFillResult
{
    /**
     * @param ?string                               $minTradeSize null: none of this type is large enough
     * @param ?float                                $jamRatio     of three equal conductors
     * @param null|array{cu: MetalFill, al: MetalFill} $compare
     * @param list<Finding>                         $findings     worst first
     * @param list<WorkingLine>                     $working
     */
    public function __construct(
        public int $count,
        public float $totalAreaIn2,
        public float $racewayAreaIn2,
        public float $limitPct,
        public float $fillPct,
        public bool $fits,
        public ?string $minTradeSize,
        public ?float $jamRatio,
        public ?array $compare,
        public bool $passes,
        public array $findings,
        public array $working,
    ) {}
}
