<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;

final readonly class SettingsCheckResult
{
    /** @param list<Finding> $findings */
    public function __construct(public array $findings, public ExpectedTimes $expected) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'expected' => array_map(static fn(Window $window): array => $window->toArray(), $this->expected->windows),
            'bait_ms' => $this->expected->baitMs,
            'findings' => array_map(static fn(Finding $finding): array => $finding->toArray(), $this->findings),
            'working' => array_map(static fn(WorkingLine $line): array => $line->toArray(), $this->expected->working),
        ];
    }
}
