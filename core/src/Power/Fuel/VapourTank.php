<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Fuel;

use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;

/** What a tank of liquid gas turns into vapour by the warmth of its wetted wall. Rule: docs/rules.md#fuel. */
final readonly class VapourTank
{
    /** Tank gallons: diameter, length in inches. To be confirmed with the tank's plate. */
    public const SIZES = [120 => [24.0, 68.0], 250 => [30.0, 94.0], 325 => [30.0, 119.0], 500 => [37.0, 119.0], 1000 => [41.0, 192.0]];
    /** Percent of liquid from which a stretch begins, the factor there, and its slope per percent. */
    private const K_BY_LIQUID = [[0, 0, 4.5], [10, 45, 1.5], [20, 60, 1.0], [60, 100, 0.0]];
    private const EXTRAPOLATED_ABOVE_F = 20;

    public function __construct(public float $diameterIn, public float $lengthIn, public float $tempC, public float $liquidPct = 30.0) {}

    /** As empty as the runtime counts it down to: that is where it gives least. */
    public function downTo(float $reservePct): self
    {
        return new self($this->diameterIn, $this->lengthIn, $this->tempC, min($this->liquidPct, $reservePct));
    }

    /** @return array{btuh: float, factor: float, liquid_pct: float, ok: bool} */
    public function answer(float $neededBtuh, Findings $findings, Working $working): array
    {
        $tempF = 1.8 * $this->tempC + 32;
        $byTemp = max(0.0, min(4.0, 1 + $tempF / 20));
        $byLiquid = $this->byLiquid();
        $btuh = $this->diameterIn * $this->lengthIn * $byLiquid * $byTemp;
        $isOk = ! Tolerance::isBelow($btuh, $neededBtuh);
        $working->add(
            'Vapour the tank gives',
            sprintf('%g in × %g in × %g × %.4g', $this->diameterIn, $this->lengthIn, $byLiquid, $byTemp),
            $btuh,
            'BTU/h',
        );
        if (! $isOk) {
            $findings->raise('vapour-short', ['btuh' => number_format($btuh), 'needed_btuh' => number_format($neededBtuh)]);
        }
        if (Tolerance::exceeds($tempF, self::EXTRAPOLATED_ABOVE_F)) {
            $findings->raise('vapour-extrapolated', ['temp_c' => $this->tempC]);
        }

        return ['btuh' => $btuh, 'factor' => $byTemp, 'liquid_pct' => $this->liquidPct, 'ok' => $isOk];
    }

    private function byLiquid(): float
    {
        $factor = 0.0;
        foreach (self::K_BY_LIQUID as [$pct, $value, $slope]) {
            if ($this->liquidPct >= $pct) {
                $factor = $value + $slope * ($this->liquidPct - $pct);
            }
        }

        return $factor;
    }
}
