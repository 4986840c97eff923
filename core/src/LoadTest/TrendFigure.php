<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/** A figure that is followed over the years. Rule: docs/rules.md#load-test-trend. */
enum TrendFigure: string
{
    case Regulation = 'regulation_pct';
    case Droop = 'droop_pct';
    case Oil = 'oil_kpa';
    case Coolant = 'coolant_c';
    case CoolantRise = 'coolant_rise_c';
    case Exhaust = 'exhaust_c';
    case BatteryCrank = 'battery_crank_v';
    case Start = 'start_s';
    case Dip = 'dip_pct';

    private const CRANK_SHARE = 0.8;

    public function isWorseUp(): bool
    {
        return $this !== self::Oil && $this !== self::BatteryCrank;
    }

    /** To be confirmed with the maker; null where there is no usual one. */
    public function limit(float $batteryNominalV): ?float
    {
        return match ($this) {
            self::Regulation, self::Droop => 5.0,
            self::Oil => 140.0,
            self::Coolant => 105.0,
            self::BatteryCrank => self::CRANK_SHARE * $batteryNominalV,
            self::Start => 10.0,
            self::Dip => 20.0,
            default => null,
        };
    }

    /** Beyond it nobody goes on. */
    public function stopsBeyond(): bool
    {
        return $this === self::Oil || $this === self::Coolant;
    }

    /** Tests that were run alike can be compared, others not. */
    public function isAlike(PastTest $one, PastTest $reference): bool
    {
        return match ($this) {
            self::BatteryCrank => true,
            self::Start => $one->fuel === $reference->fuel,
            self::Dip => $one->fuel === $reference->fuel && $one->hasStepLike($reference),
            default => $one->isLike($reference),
        };
    }

    public function value(PastTest $test): ?float
    {
        if ($this === self::CoolantRise) {
            $coolant = $test->figures['coolant_c'] ?? null;
            $ambient = $test->figures['ambient_c'] ?? null;

            return $coolant === null || $ambient === null ? null : $coolant - $ambient;
        }

        return $test->figures[$this->value] ?? null;
    }
}
