<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;

/** Findings of a drawing: each id stands at most once at each place. Rule: topology §0. */
final class PlacedFindings
{
    /** @var array<string, Finding> */
    private array $found = [];

    public function add(string $id, ?string $at = null): void
    {
        [$severity, $message, $because] = FindingWords::of($id);
        $this->found["$id $at"] ??= new Finding($id, $severity, $at === null ? "$message." : "$message: $at.", $because, at: $at);
    }

    public function has(string $id, ?string $at = null): bool
    {
        return isset($this->found["$id $at"]);
    }

    /** @return list<Finding> worst first, in the order found within a severity */
    public function all(): array
    {
        $findings = array_values($this->found);
        usort($findings, static fn(Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
    }

    public function hasStop(): bool
    {
        return array_filter($this->found, static fn(Finding $finding): bool => $finding->severity === Severity::Stop) !== [];
    }
}
