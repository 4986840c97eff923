<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

/** How a motor is started. Shares and torques to be confirmed with the starter's maker. Rule: docs/rules.md#motor-start. */
enum StartMethod: string
{
    case DirectOnLine = 'dol';
    case SoftStart = 'soft_start';
    case PartWinding = 'part_winding';
    case Autotransformer80 = 'autotransformer_80';
    case Autotransformer65 = 'autotransformer_65';
    case StarDelta = 'star_delta';
    case Drive = 'vfd';

    /** A drive draws this share of the running kVA, whatever the motor would. */
    private const DRIVE_SHARE = 1.5;

    /** @return non-empty-list<self> gentlest last */
    public static function of(int $phases): array
    {
        return $phases === 3 ? self::cases() : [self::DirectOnLine, self::SoftStart];
    }

    /**
     * @param float  $softFactor share of the locked-rotor kVA that the soft starter lets through
     * @param ?float $runKva     null: the full-load amps are not known
     */
    public function startKva(float $lockedRotorKva, float $softFactor, ?float $runKva): float
    {
        return match ($this) {
            self::DirectOnLine => $lockedRotorKva,
            self::SoftStart => $softFactor * $lockedRotorKva,
            self::PartWinding => 0.65 * $lockedRotorKva,
            self::Autotransformer80 => 0.64 * $lockedRotorKva,
            self::Autotransformer65 => 0.4225 * $lockedRotorKva,
            self::StarDelta => $lockedRotorKva / 3,
            self::Drive => self::DRIVE_SHARE * (float) $runKva,
        };
    }

    /** In percent of starting direct on line. */
    public function torquePct(float $softFactor): float
    {
        return match ($this) {
            self::DirectOnLine, self::Drive => 100.0,
            self::SoftStart => 100 * $softFactor ** 2,
            self::PartWinding => 45.0,
            self::Autotransformer80 => 64.0,
            self::Autotransformer65 => 42.25,
            self::StarDelta => 100 / 3,
        };
    }
}
