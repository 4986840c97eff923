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

    /**
     * The run with load that is due first: the one that is asked for most often while it was never done, else the earliest of those that
     * were done before. An outage is a proof of the switch, no load test. Null: no school asks.
     */
    public function firstLoadTest(): ?DueRun
    {
        $runs = array_values(array_filter($this->due, static fn(DueRun $one): bool => $one->type !== RunType::Outage->value));
        usort($runs, static fn(DueRun $a, DueRun $b): int => $a->months <=> $b->months);
        if ($runs === [] || $runs[0]->status === 'never') {
            return $runs[0] ?? null;
        }
        $done = array_values(array_filter($runs, static fn(DueRun $one): bool => $one->status !== 'never'));
        usort($done, static fn(DueRun $a, DueRun $b): int => $a->due <=> $b->due);

        return $done[0];
    }
}
