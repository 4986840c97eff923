<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/** Grounding and bonding conductors by the device ahead of them or the conductors they go with. Rule: docs/rules.md#grounding. */
final readonly class EgcTable
{
    /** Rating of the device: copper, aluminium. */
    private const EGC = [
        15 => ['14', '12'],
        20 => ['12', '10'],
        60 => ['10', '8'],
        100 => ['8', '6'],
        200 => ['6', '4'],
        300 => ['4', '2'],
        400 => ['3', '1'],
        500 => ['2', '1/0'],
        600 => ['1', '2/0'],
        800 => ['1/0', '3/0'],
        1000 => ['2/0', '4/0'],
        1200 => ['3/0', '250'],
        1600 => ['4/0', '350'],
        2000 => ['250', '400'],
        2500 => ['350', '600'],
        3000 => ['400', '600'],
        4000 => ['500', '750'],
    ];
    /** Area of the ungrounded conductors at most, in kcmil. */
    private const ROWS = ['cu' => [66.36, 105.6, 167.8, 350, 600, 1100], 'al' => [105.6, 167.8, 250, 500, 900, 1750]];
    private const GEC = ['cu' => ['8', '6', '4', '2', '1/0', '2/0', '3/0'], 'al' => ['6', '4', '2', '1/0', '3/0', '4/0', '250']];

    public static function egc(float $ocpdA, string $material): string
    {
        $size = '';
        foreach (self::EGC as $rating => [$copper, $aluminium]) {
            $size = $material === 'cu' ? $copper : $aluminium;
            if (RelativeTolerance::isAtLeast($rating, $ocpdA)) {
                break;
            }
        }

        return $size;
    }

    /** The row of the electrode table, null above its last limit. */
    public static function byConductors(float $kcmil, string $ungrounded, string $material): ?string
    {
        foreach (self::ROWS[$ungrounded] ?? [] as $i => $most) {
            if (RelativeTolerance::isAtLeast($most, $kcmil)) {
                return self::GEC[$material][$i] ?? null;
            }
        }

        return null;
    }

    public static function largest(string $material): string
    {
        return self::GEC[$material][6] ?? '';
    }
}
