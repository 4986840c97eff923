<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** One figure over the years. */
final readonly class FigureTrend
{
    /**
     * @param list<string>                                $dates
     * @param list<float>                                 $values
     * @param ?float                                      $now   where the line is at the last point
     * @param ?int                                        $s     Mann–Kendall
     * @param 'improving'|'none'|'too_few'|'worsening'    $trend
     */
    public function __construct(
        public string $figure,
        public int $n,
        public array $dates,
        public array $values,
        public ?float $slopePerYear,
        public ?float $intercept,
        public ?float $now,
        public ?int $s,
        public ?float $p,
        public string $trend,
        public ?float $limit,
        public ?string $crossesOn,
    ) {}
}
