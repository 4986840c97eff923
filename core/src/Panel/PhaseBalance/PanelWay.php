<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/** An outgoing way of a three-phase panel. Rule: docs/rules.md#phase-balance. */
final readonly class PanelWay
{
    /** @param string $connect L1 … L3, L1L2 … L3L1 or 3P */
    public function __construct(
        public string $id,
        public string $connect,
        public float $a,
        public float $pf,
        public bool $isLeading,
        public float $triplenPct,
        public bool $isLocked,
        public bool $isShed,
    ) {}

    public function on(string $connect): self
    {
        return new self($this->id, $connect, $this->a, $this->pf, $this->isLeading, $this->triplenPct, $this->isLocked, $this->isShed);
    }

    /** Whole amperes, to plan with. */
    public function planA(): int
    {
        return (int) floor($this->a + 0.5);
    }

    /** @return list<string> the places it may have, in their order */
    public function options(): array
    {
        return self::optionsOf($this->connect);
    }

    /** @return list<string> the places of a way that stands there; it keeps its poles */
    public static function optionsOf(string $connect): array
    {
        return match (true) {
            strlen($connect) === 4 => ['L1L2', 'L2L3', 'L3L1'],
            $connect === '3P' => ['3P'],
            default => ['L1', 'L2', 'L3'],
        };
    }

    /** @return list<int> legs that a place loads, from 0 */
    public static function legs(string $connect): array
    {
        return match ($connect) {
            'L1' => [0],
            'L2' => [1],
            'L3' => [2],
            'L1L2' => [0, 1],
            'L2L3' => [1, 2],
            'L3L1' => [2, 0],
            default => [0, 1, 2],
        };
    }

    public function isToNeutral(): bool
    {
        return strlen($this->connect) === 2 && $this->connect !== '3P';
    }
}
