<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

final readonly class TimingVerdictResult
{
    /**
     * @param list<TimedRun>             $runs
     * @param 'pass'|'fail'|'incomplete' $verdict
     * @param list<Finding>              $findings
     * @param list<WorkingLine>          $working
     */
    public function __construct(public array $runs, public string $verdict, public array $findings, public array $working) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'runs' => array_map(static fn(TimedRun $run): array => $run->toArray(), $this->runs),
            'verdict' => $this->verdict,
            'findings' => array_map(static fn(Finding $finding): array => $finding->toArray(), $this->findings),
            'working' => array_map(static fn(WorkingLine $line): array => $line->toArray(), $this->working),
        ];
    }
}
