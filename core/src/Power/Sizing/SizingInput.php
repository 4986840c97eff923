<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Sizing;

use Escapement\Core\Plant\LegSystem;

/** The loads, the source, and how the technician means to carry them. Rule: docs/rules.md#sizing. */
final readonly class SizingInput
{
    /**
     * @param list<SizingLoad>                    $loads
     * @param ?float                              $demandKw        of the whole building
     * @param ?float                              $managedDemandKw of the loads that are not managed, calculated by itself
     * @param null|'essential'|'managed'|'whole'  $choice
     */
    public function __construct(
        public LegSystem $system,
        public SizingLimits $limits,
        public array $loads,
        public ?float $demandKw = null,
        public ?float $managedDemandKw = null,
        public float $headroomPct = 20.0,
        public bool $hasManagement = false,
        public bool $isAutomatic = true,
        public ?string $choice = null,
        public bool $isEssentialFirst = false,
    ) {}

    /** The share of all loads that the demand of the building leaves. */
    public function scale(): float
    {
        $sum = self::sum($this->loads);

        return $this->demandKw !== null && $sum > 0 ? min(1.0, $this->demandKw / $sum) : 1.0;
    }

    /** Of the loads that are not managed: by their own demand, and never more than the whole building asks for. */
    public function managedScale(): float
    {
        $sum = self::sum(array_filter($this->loads, static fn(SizingLoad $one): bool => ! $one->isManaged));

        return $sum > 0 ? min(1.0, ($this->managedDemandKw ?? INF) / $sum, ($this->demandKw ?? INF) / $sum) : 1.0;
    }

    /** @param array<SizingLoad> $loads */
    private static function sum(array $loads): float
    {
        return array_sum(array_map(static fn(SizingLoad $one): float => $one->load->kw, $loads));
    }
}
