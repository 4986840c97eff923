<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** One set over the years. Rule: docs/rules.md#load-test-trend. */
final readonly class TrendResult
{
    /**
     * @param list<FigureTrend> $figures
     * @param int               $like    tests alike in load and fuel
     * @param list<string>      $leftOut dates of the others
     * @param list<Finding>     $findings
     * @param list<WorkingLine> $working
     */
    public function __construct(
        public array $figures,
        public int $like,
        public array $leftOut,
        public array $findings,
        public array $working,
    ) {}
}
