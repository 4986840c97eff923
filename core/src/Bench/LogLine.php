<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

/** One line of the event log of a bench. Rule: docs/rules.md#bench-log. */
final readonly class LogLine
{
    /**
     * @param int                  $seq  from 1, never used again
     * @param array<string, mixed> $keys of the event; of an input what was done
     */
    public function __construct(public int $seq, public int $tMs, public string $kind, public array $keys, public string $because) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['seq' => $this->seq, 't_ms' => $this->tMs, 'kind' => $this->kind] + $this->keys + ['because' => $this->because];
    }

    /** @param array<string, mixed> $kept as {@see toArray()} gives it */
    public static function fromArray(array $kept): self
    {
        $whole = static fn(string $key): int => is_int($kept[$key] ?? null) ? $kept[$key] : 0;
        $word = static fn(string $key): string => is_string($kept[$key] ?? null) ? $kept[$key] : '';
        $keys = array_diff_key($kept, ['seq' => 1, 't_ms' => 1, 'kind' => 1, 'because' => 1]);

        return new self($whole('seq'), $whole('t_ms'), $word('kind'), $keys, $word('because'));
    }

    /** As the column `detail` of a table: `name=value` joined by `;`. */
    public function detail(): string
    {
        $words = [];
        foreach ($this->keys as $name => $value) {
            $words[] = "$name=" . (is_string($value) ? $value : json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        }

        return implode(';', $words);
    }
}
