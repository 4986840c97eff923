<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/** A panel whose ways are to be balanced. Rule: docs/rules.md#phase-balance. */
final readonly class BalanceInput
{
    /**
     * @param list<PanelWay> $ways
     * @param bool           $forGenerator only what is not shed counts
     */
    public function __construct(
        public array $ways,
        public ?float $mainA,
        public ?float $neutralRatedA,
        public float $targetPct,
        public bool $forGenerator,
        public ?BalanceGenerator $generator,
    ) {}

    public function counts(PanelWay $way): bool
    {
        return ! $this->forGenerator || ! $way->isShed;
    }

    public function isMovable(PanelWay $way): bool
    {
        return $this->counts($way) && ! $way->isLocked && $way->connect !== '3P' && $way->planA() > 0;
    }
}
