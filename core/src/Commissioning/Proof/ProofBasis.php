<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

/** What each part of a proof rests on, and what of it has changed. Rule: docs/rules.md#proof. */
final readonly class ProofBasis
{
    /** @var list<ProofFact> */
    private array $table;

    public function __construct()
    {
        /** @var list<ProofFact> $table */
        $table = require __DIR__ . '/../../../data/proof_facts.php';
        $this->table = $table;
    }

    /**
     * @param array<string, string> $facts by key
     *
     * @return array<string, string> those that the part rests on
     */
    public function of(ProofPart $part, array $facts): array
    {
        return array_filter($facts, fn(string $key): bool => in_array($part, $this->row($key)->parts ?? [], true), ARRAY_FILTER_USE_KEY);
    }

    /**
     * What is no longer as it was. A fact that was not kept then says nothing; of a list (loads) what is new or gone counts.
     *
     * @param array<string, string> $then of the part
     * @param array<string, string> $now  all there is
     *
     * @return list<string> sentences without a full stop
     */
    public function changes(ProofPart $part, array $then, array $now): array
    {
        $now = $this->of($part, $now);
        $changes = [];
        foreach ($then + $now as $key => $_) {
            $row = $this->row($key);
            $was = $then[$key] ?? null;
            $is = $now[$key] ?? null;
            $isSame = $was === $is || $row !== null && $was !== null && $is !== null && $row->isAsBefore($was, $is);
            if ($row === null || $isSame || $was === null && ! $this->isListed($key, $then)) {
                continue;
            }
            $label = $row->labelOf($key);
            $changes[] = match (true) {
                $row->isFingerprint => "$label changed",
                $was === null => "$label: $is is new",
                $is === null => "$label: $was is gone",
                default => "$label: $was, now $is",
            };
        }

        return $changes;
    }

    private function row(string $key): ?ProofFact
    {
        foreach ($this->table as $row) {
            if ($row->isOf($key)) {
                return $row;
            }
        }

        return null;
    }

    /**
     * A fact of a list is new only where the list was kept.
     *
     * @param array<string, string> $then
     */
    private function isListed(string $key, array $then): bool
    {
        $prefix = strstr($key, ':', true);
        if ($prefix === false) {
            return false;
        }
        foreach ($then as $other => $_) {
            if (str_starts_with($other, "$prefix:")) {
                return true;
            }
        }

        return false;
    }
}
