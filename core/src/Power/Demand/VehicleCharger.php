<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Demand;

/** One vehicle charger. Rule: docs/rules.md#demand. */
final readonly class VehicleCharger
{
    /** What one counts at least. */
    private const LEAST_KVA = 7.2;

    /** @param ?float $limitKva where an energy-management system holds it */
    public function __construct(public string $id, public float $kva, public ?float $limitKva = null) {}

    public function demandKva(): float
    {
        return $this->limitKva ?? max($this->kva, self::LEAST_KVA);
    }
}
