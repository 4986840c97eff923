<?php

declare(strict_types=1);

namespace Escapement\Core\Calc;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;

/** Collects findings; each id stands at most once, and gathers the subjects of all the places that raised it. */
final class Findings
{
    /** @var array<string, array{severity: Severity, message: string, because: string, subjects: list<string|int>}> */
    private array $found = [];

    /** @param list<string|int> $subjects */
    public function stop(string $id, string $message, string $because, array $subjects = []): void
    {
        $this->add($id, Severity::Stop, $message, $because, $subjects);
    }

    /** @param list<string|int> $subjects */
    public function warn(string $id, string $message, string $because, array $subjects = []): void
    {
        $this->add($id, Severity::Warn, $message, $because, $subjects);
    }

    /** @param list<string|int> $subjects */
    public function note(string $id, string $message, string $because, array $subjects = []): void
    {
        $this->add($id, Severity::Note, $message, $because, $subjects);
    }

    /** @param list<string|int> $subjects */
    public function add(string $id, Severity $severity, string $message, string $because, array $subjects = []): void
    {
        $before = $this->found[$id]['subjects'] ?? [];
        $this->found[$id] ??= ['severity' => $severity, 'message' => $message, 'because' => $because, 'subjects' => []];
        $this->found[$id]['subjects'] = array_values(array_unique([...$before, ...$subjects], SORT_REGULAR));
    }

    public function has(string $id): bool
    {
        return isset($this->found[$id]);
    }

    public function hasStop(): bool
    {
        return in_array(Severity::Stop, array_column($this->found, 'severity'), true);
    }

    /** @return list<Finding> */
    public function all(): array
    {
        $findings = [];
        foreach ($this->found as $id => $f) {
            $places = $f['subjects'] === [] || str_contains($f['message'], (string) $f['subjects'][0]) ? '' : ' (' . implode(', ', array_slice($f['subjects'], 0, 8)) . ')';
            $findings[] = new Finding((string) $id, $f['severity'], rtrim($f['message'], '.') . $places . '.', $f['because'], subjects: $f['subjects']);
        }

        return $findings;
    }
}
