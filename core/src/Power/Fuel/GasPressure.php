<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Input\Tolerance;

/** Gas pressure at the machine's inlet, at rest and under full load, in inches of water column. Rule: docs/rules.md#fuel. */
final readonly class GasPressure
{
    private const LIMITS = ['lp' => [10.0, 12.0], 'natural_gas' => [3.5, 7.0]];
    public const SAG_LIMIT = 1.5;

    /** @param ?float $loaded null: not measured */
    public function __construct(
        public float $static,
        public ?float $loaded,
        public float $min,
        public float $max,
        public float $sagLimit = self::SAG_LIMIT,
    ) {}

    public static function usualMin(string $fuel): float
    {
        return (self::LIMITS[$fuel] ?? self::LIMITS['natural_gas'])[0];
    }

    public static function usualMax(string $fuel): float
    {
        return (self::LIMITS[$fuel] ?? self::LIMITS['natural_gas'])[1];
    }

    /** Null without the reading under load. */
    public function sag(): ?float
    {
        return $this->loaded === null ? null : $this->static - $this->loaded;
    }

    /** Both readings inside the limits, and a sag that the regulator makes good: no percentage. */
    public function judge(Findings $findings): void
    {
        if (Tolerance::exceeds($this->static, $this->max)) {
            $findings->raise('pressure-high', ['static' => $this->static, 'max' => $this->max]);
        }
        $isLow = Tolerance::isBelow($this->static, $this->min)
            || $this->loaded !== null && Tolerance::isBelow($this->loaded, $this->min);
        if ($isLow) {
            $findings->raise('pressure-low', ['min' => $this->min]);
        }
        $sag = $this->sag();
        if ($sag === null) {
            $findings->raise('loaded-not-measured');
        } elseif (Tolerance::exceeds($sag, $this->sagLimit)) {
            $findings->raise('pressure-sag', ['sag' => $sag]);
        }
    }
}
