<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Colours;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** Every landing judged, the rotation, and the functions that nobody landed. Rule: docs/rules.md#colours. */
final readonly class ColoursResult
{
    /**
     * @param list<JudgedLanding>                                 $landings as they were given
     * @param 'correct'|'not_applicable'|'reversed'|'unknown'     $rotation
     * @param list<string>                                        $missing
     * @param list<Finding>                                       $findings worst first
     * @param list<WorkingLine>                                   $working
     */
    public function __construct(
        public array $landings,
        public string $rotation,
        public array $missing,
        public bool $passes,
        public array $findings,
        public array $working = [],
    ) {}
}
