<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/**
 * What conductors carry, and what protects them. Facts to be confirmed against the edition in force. Rule:
 * docs/rules.md#wiring-conventions, docs/rules.md#conductor.
 */
final readonly class Ampacity
{
    /** Amperes at 30 °C, three current-carrying conductors: copper at 60, 75, 90 °C, aluminium likewise. */
    private const AMPS = [
        '14' => [15, 20, 25],
        '12' => [20, 25, 30, 15, 20, 25],
        '10' => [30, 35, 40, 25, 30, 35],
        '8' => [40, 50, 55, 35, 40, 45],
        '6' => [55, 65, 75, 40, 50, 55],
        '4' => [70, 85, 95, 55, 65, 75],
        '3' => [85, 100, 115, 65, 75, 85],
        '2' => [95, 115, 130, 75, 90, 100],
        '1' => [110, 130, 145, 85, 100, 115],
        '1/0' => [125, 150, 170, 100, 120, 135],
        '2/0' => [145, 175, 195, 115, 135, 150],
        '3/0' => [165, 200, 225, 130, 155, 175],
        '4/0' => [195, 230, 260, 150, 180, 205],
        '250' => [215, 255, 290, 170, 205, 230],
        '300' => [240, 285, 320, 195, 230, 260],
        '350' => [260, 310, 350, 210, 250, 280],
        '400' => [280, 335, 380, 225, 270, 305],
        '500' => [320, 380, 430, 260, 310, 350],
        '600' => [350, 420, 475, 285, 340, 385],
        '700' => [385, 460, 520, 315, 375, 425],
        '750' => [400, 475, 535, 320, 385, 435],
    ];

    private const SMALL = ['cu' => ['14' => 15, '12' => 20, '10' => 30], 'al' => ['12' => 15, '10' => 25]];

    /** Zero for 14 AWG aluminium, which does not exist. */
    public static function amps(string $material, string $size, int $celsius): int
    {
        $column = ($material === 'cu' ? 0 : 3) + match ($celsius) {
            60 => 0,
            75 => 1,
            default => 2,
        };

        return self::AMPS[$size][$column] ?? 0;
    }

    /** The standard rating at or above, up to 800 A; above that the figure itself. */
    public static function roundUp(float $amps): float
    {
        if (RelativeTolerance::isOver($amps, 800)) {
            return $amps;
        }

        return $amps === 0.0 ? 0.0 : self::nextOf(StandardSizes::AMPS, $amps);
    }

    /** @param non-empty-list<int> $ratings */
    public static function nextOf(array $ratings, float $amps): float
    {
        foreach ($ratings as $rating) {
            if (RelativeTolerance::isAtLeast($rating, $amps)) {
                return $rating;
            }
        }

        return $amps;
    }

    /** The breaker that a small conductor may have at most, without a rule of its own. */
    public static function smallCap(string $material, string $size): ?int
    {
        return self::SMALL[$material][$size] ?? null;
    }

    /** Terminals by default: 75 °C where the 83 % option rests on that column, else by the size of the device. */
    public static function terminal(?int $given, float $ocpdA, bool $is83): int
    {
        return $given ?? ($is83 || RelativeTolerance::isOver($ocpdA, 100) ? 75 : 60);
    }

    public static function is83(bool $asked, float $ocpdA): bool
    {
        return $asked && RelativeTolerance::isAtLeast($ocpdA, 100) && RelativeTolerance::isAtLeast(400, $ocpdA);
    }
}
