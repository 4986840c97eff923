<?php

declare(strict_types=1);

namespace Escapement\Core\Wiring\Box;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\RelativeTolerance;
use Escapement\Core\Wiring\WiringFields;

/** Has the box room for its conductors below 4 AWG. Rule: docs/rules.md#pull-box. */
final readonly class BoxVolume
{
    /** Room of one conductor, in³. */
    public const ALLOWANCE_IN3 = ['18' => 1.50, '16' => 1.75, '14' => 2.00, '12' => 2.25, '10' => 2.50, '8' => 3.00, '6' => 5.00];

    public function answer(BoxVolumeInput $in): CalculationResult
    {
        $largest = self::largest([...$in->conductors, ...$in->egc]);
        $devicesIn3 = array_sum(array_map(
            static fn(BoxDevice $one): float => 2 * self::ALLOWANCE_IN3[$one->largest] * $one->gangs,
            $in->devices,
        ));
        $required = array_sum(array_map(
            static fn(BoxConductors $one): float => $one->qty * self::ALLOWANCE_IN3[$one->size],
            $in->conductors,
        )) + ($in->hasClamps ? $largest : 0.0) + $in->supportFittings * $largest + $devicesIn3 + self::grounding($in);
        $fits = RelativeTolerance::isAtLeast($in->availableIn3, $required);
        $working = new Working();
        $working->add('Volume needed', 'conductors, clamps, fittings, devices, grounding', $required, 'in³');
        $findings = new Findings();
        if (! $fits) {
            $findings->raise('box-overfilled', ['required' => $required, 'available' => $in->availableIn3]);
        }
        WiringFields::confirm($findings);

        return new CalculationResult([
            'required_in3' => $required,
            'available_in3' => $in->availableIn3,
            'spare_in3' => $in->availableIn3 - $required,
            'fill_pct' => 100 * $required / $in->availableIn3,
            'fits' => $fits,
            'passes' => ! $findings->hasStop(),
        ], $findings->all(), $working->lines);
    }

    private static function grounding(BoxVolumeInput $in): float
    {
        $count = array_sum(array_map(static fn(BoxConductors $one): int => $one->qty, $in->egc));
        $largest = self::largest($in->egc);

        return match (true) {
            $count === 0 => 0.0,
            $in->isSingle => $largest,
            default => $largest * (1 + 0.25 * max(0, $count - 4)),
        };
    }

    /** @param list<BoxConductors> $conductors */
    private static function largest(array $conductors): float
    {
        return max([0.0, ...array_map(static fn(BoxConductors $one): float => self::ALLOWANCE_IN3[$one->size], $conductors)]);
    }
}
