<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/** What a calculation hands back: its figures as they go on the wire, what a technician has to know, and the arithmetic. */
final readonly class CalculationResult
{
    /** @var list<Finding> worst first */
    public array $findings;

    /**
     * @param array<string, mixed> $values   unrounded
     * @param list<Finding>        $findings in any order
     * @param list<WorkingLine>    $working
     */
    public function __construct(public array $values, array $findings, public array $working)
    {
        $this->findings = Finding::worstFirst($findings);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->values + [
            'findings' => array_map(static fn(Finding $finding): array => $finding->toArray(), $this->findings),
            'working' => array_map(static fn(WorkingLine $line): array => $line->toArray(), $this->working),
        ];
    }
}
