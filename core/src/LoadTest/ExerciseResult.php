<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

/** What the runs of a set prove, and what is due. Rule: docs/rules.md#exercise-value. */
final readonly class ExerciseResult
{
    /**
     * @param array<string, array{proves: list<string>, does_not_prove: list<string>}>            $types
     * @param list<DueRun>                                                                        $due
     * @param list<array{id: string, last_proven: ?string, by: ?string}>                          $proofs
     * @param null|array{type: string, due: string}                                               $nextDue
     * @param list<Finding>                                                                       $findings
     * @param list<WorkingLine>                                                                   $working
     */
    public function __construct(
        public array $types,
        public array $due,
        public array $proofs,
        public ?array $nextDue,
        public array $findings,
        public array $working,
    ) {}
}
