<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Finding\Severity;

/** Findings of a drawing: each id stands at most once at each place. Rule: docs/rules.md#topology. */
final class PlacedFindings
{
    /** @var array<string, Finding> */
    private array $found = [];

    /**
     * @param string                $id       as in the register, with its family where two families use it
     * @param array<string, int|float|string|null> $figures
     * @param ?Severity             $severity where the rule has another than the usual one
     */
    public function raise(string $id, ?string $at = null, array $figures = [], ?Severity $severity = null): void
    {
        $this->found["$id $at"] ??= Register::finding($id, $figures, severity: $severity, at: $at);
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

    /** @return list<Finding> worst first, then by id and place */
    public function sorted(): array
    {
        $findings = array_values($this->found);
        usort($findings, static fn(Finding $a, Finding $b): int => [$a->severity->rank(), $a->id, (string) $a->at]
            <=> [$b->severity->rank(), $b->id, (string) $b->at]);

        return $findings;
    }

    public function hasStop(): bool
    {
        return array_filter($this->found, static fn(Finding $finding): bool => $finding->severity === Severity::Stop) !== [];
    }
}
