<?php

declare(strict_types=1);

namespace Escapement\Core\Finding;

/** Collects findings; each id stands at most once, and gathers the subjects of all the places that raised it. */
final class Findings
{
    /** @var array<string, array{figures: array<string, int|float|string|null>, severity: ?Severity, subjects: list<string|int>}> */
    private array $found = [];

    /**
     * @param string                               $id       as in the register
     * @param array<string, int|float|string|null> $figures  of the first place that raises it
     * @param list<string|int>                     $subjects
     * @param ?Severity                            $severity where the rule has another than the usual one
     */
    public function raise(string $id, array $figures = [], array $subjects = [], ?Severity $severity = null): void
    {
        $this->found[$id] ??= ['figures' => $figures, 'severity' => $severity, 'subjects' => []];
        $this->found[$id]['subjects'] = array_values(array_unique([...$this->found[$id]['subjects'], ...$subjects], SORT_REGULAR));
    }

    public function has(string $id): bool
    {
        return isset($this->found[$id]);
    }

    public function hasStop(): bool
    {
        return array_filter($this->all(), static fn(Finding $finding): bool => $finding->severity === Severity::Stop) !== [];
    }

    /** @return list<Finding> */
    public function worstFirst(): array
    {
        return Finding::worstFirst($this->all());
    }

    /** @return list<Finding> */
    public function all(): array
    {
        $findings = [];
        foreach ($this->found as $id => $f) {
            $findings[] = Register::finding((string) $id, $f['figures'], $f['subjects'], $f['severity']);
        }

        return $findings;
    }
}
