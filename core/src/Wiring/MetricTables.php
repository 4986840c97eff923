<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring;

use Escapement\Core\Input\RelativeTolerance;

/** What mm² sizes carry, three loaded conductors. Facts to be confirmed against the edition in force. Rule: docs/rules.md#conductor. */
final readonly class MetricTables
{
    public const RATINGS = [
        6,
        10,
        13,
        16,
        20,
        25,
        32,
        40,
        50,
        63,
        80,
        100,
        125,
        160,
        200,
        250,
        315,
        400,
        500,
        630,
        800,
        1000,
        1250,
        1600,
        2000,
        2500,
        3200,
        4000,
        5000,
    ];

    /** Thermal resistivity of soil, K·m/W. */
    public const SOILS = [0.5, 0.7, 1.0, 1.5, 2.0, 2.5, 3.0];

    /** By method, metal and insulation, the sizes in their order: copper from 1.5, aluminum from 16. */
    private const AMPS = [
        'B1 cu 70' => [15.5, 21, 28, 36, 50, 68, 89, 110, 134, 171, 207, 239, 262, 296, 346, 394],
        'B1 cu 90' => [20, 28, 37, 48, 66, 88, 117, 144, 175, 222, 269, 312, 342, 384, 450, 514],
        'B2 cu 70' => [15, 20, 27, 34, 46, 62, 80, 99, 118, 149, 179, 206, 225, 255, 297, 339],
        'B2 cu 90' => [19.5, 26, 35, 44, 60, 80, 105, 128, 154, 194, 233, 268, 300, 340, 398, 455],
        'C cu 70' => [17.5, 24, 32, 41, 57, 76, 96, 119, 144, 184, 223, 259, 299, 341, 403, 464],
        'C cu 90' => [22, 30, 40, 52, 71, 96, 119, 147, 179, 229, 278, 322, 371, 424, 500, 576],
        'D1 cu 70' => [18, 24, 30, 38, 50, 64, 82, 98, 116, 143, 169, 192, 217, 243, 280, 316],
        'D1 cu 90' => [21, 28, 36, 44, 58, 75, 96, 115, 135, 167, 197, 223, 251, 281, 324, 365],
        'D2 cu 70' => [19, 24, 33, 41, 54, 70, 92, 110, 130, 162, 193, 220, 246, 278, 320, 359],
        'D2 cu 90' => [23, 30, 39, 49, 65, 84, 107, 129, 153, 188, 226, 257, 287, 324, 375, 419],
        'B1 al 70' => [53, 70, 86, 104, 133, 161, 186, 204, 230, 269, 306],
        'B1 al 90' => [71, 93, 116, 140, 179, 217, 251, 267, 300, 351, 402],
        'B2 al 70' => [48, 62, 77, 92, 116, 139, 160, 176, 199, 232, 265],
        'B2 al 90' => [64, 84, 103, 124, 156, 188, 216, 240, 272, 318, 364],
        'C al 70' => [59, 73, 90, 110, 140, 170, 197, 227, 259, 305, 351],
        'C al 90' => [76, 90, 112, 136, 174, 211, 245, 283, 323, 382, 440],
        'D1 al 70' => [50, 64, 77, 91, 112, 132, 150, 169, 190, 218, 247],
        'D1 al 90' => [59, 75, 90, 106, 130, 154, 174, 197, 220, 253, 286],
        'D2 al 70' => [53, 69, 83, 99, 122, 148, 169, 189, 214, 250, 282],
        'D2 al 90' => [64, 82, 98, 117, 144, 172, 197, 220, 250, 290, 326],
    ];

    /** Ambient bounds from 10 °C in steps of 5. */
    private const IN_AIR = [
        70 => [1.22, 1.17, 1.12, 1.06, 1, .94, .87, .79, .71, .61, .50],
        90 => [1.15, 1.12, 1.08, 1.04, 1, .96, .91, .87, .82, .76, .71, .65, .58, .50, .41],
    ];

    private const IN_GROUND = [
        70 => [1.10, 1.05, 1, .95, .89, .84, .77, .71, .63, .55, .45],
        90 => [1.07, 1.04, 1, .96, .93, .89, .85, .80, .76, .71, .65, .60, .53, .46, .38],
    ];

    /** Factor by the number of circuits, the last for all above. */
    private const GROUPING = [
        'bunched' => [
            1 => 1,
            2 => .80,
            3 => .70,
            4 => .65,
            5 => .60,
            6 => .57,
            7 => .54,
            8 => .52,
            9 => .50,
            12 => .45,
            16 => .41,
            20 => .38,
            100 => .38,
        ],
        'single_layer' => [1 => 1, 2 => .85, 3 => .79, 4 => .75, 5 => .73, 6 => .72, 7 => .72, 8 => .71, 100 => .70],
        'D1' => [
            1 => 1,
            2 => .85,
            3 => .75,
            4 => .70,
            5 => .65,
            6 => .60,
            7 => .57,
            8 => .54,
            9 => .52,
            10 => .49,
            11 => .47,
            12 => .45,
            16 => .39,
            20 => .34, 100 => .34,
        ],
        'D2' => [
            1 => 1,
            2 => .75,
            3 => .65,
            4 => .60,
            5 => .55,
            6 => .50,
            7 => .45,
            8 => .43,
            9 => .41,
            12 => .36,
            16 => .32,
            20 => .29,
            100 => .29,
        ],
    ];

    private const SOIL = ['D1' => [1.28, 1.20, 1.18, 1.1, 1.05, 1, .96], 'D2' => [1.88, 1.62, 1.5, 1.28, 1.12, 1, .90]];

    public static function amps(InstallMethod $method, string $material, int $insulationC, string $size): float
    {
        $place = (int) array_search($size, Sizes::metric($material), true);

        return (float) self::AMPS["$method->value $material $insulationC"][$place];
    }

    /** Zero past the last bound: the insulation carries nothing there. */
    public static function ambient(InstallMethod $method, int $insulationC, float $ambientC): float
    {
        $factors = ($method->isInGround() ? self::IN_GROUND : self::IN_AIR)[$insulationC] ?? [];
        foreach ($factors as $i => $factor) {
            if (RelativeTolerance::isAtLeast(10 + 5 * $i, $ambientC)) {
                return $factor;
            }
        }

        return 0.0;
    }

    /** @param string $grouping how circuits in air lie; in the ground the method decides */
    public static function grouping(InstallMethod $method, string $grouping, int $circuits): float
    {
        foreach (self::GROUPING[$method->isInGround() ? $method->value : $grouping] ?? [] as $most => $factor) {
            if ($circuits <= $most) {
                return $factor;
            }
        }

        return 1.0;
    }

    public static function soil(InstallMethod $method, float $soilKmW): float
    {
        $place = (int) array_search($soilKmW, self::SOILS, true);

        return (float) (self::SOIL[$method->value][$place] ?? 1);
    }
}
