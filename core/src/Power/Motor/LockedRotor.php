<?php

declare(strict_types=1);

namespace Escapement\Core\Power\Motor;

use Escapement\Core\Finding\Working;

/** What a motor draws at standstill: by its amps, its code letter, or estimated. Rule: docs/rules.md#motor-start. */
final readonly class LockedRotor
{
    /** Code letters: kVA per horsepower from, to. */
    public const CODES = [
        'A' => [0.0, 3.14],
        'B' => [3.15, 3.54],
        'C' => [3.55, 3.99],
        'D' => [4.0, 4.49],
        'E' => [4.5, 4.99],
        'F' => [5.0, 5.59],
        'G' => [5.6, 6.29],
        'H' => [6.3, 7.09],
        'J' => [7.1, 7.99],
        'K' => [8.0, 8.99],
        'L' => [9.0, 9.99],
        'M' => [10.0, 11.19],
        'N' => [11.2, 12.49],
        'P' => [12.5, 13.99],
        'R' => [14.0, 15.99],
        'S' => [16.0, 17.99],
        'T' => [18.0, 19.99],
        'U' => [20.0, 22.39],
        'V' => [22.4, 22.4], // open-ended: at least this
    ];

    /** @param 'code'|'estimate'|'lra' $basis */
    private function __construct(public float $kva, public string $basis) {}

    /** @param 'lower'|'mid'|'upper' $bound of the range that a code letter stands for */
    public static function of(Motor $motor, string $bound, Working $working): self
    {
        if ($motor->lockedRotorA !== null) {
            return self::byAmps($motor, $motor->lockedRotorA, 1.0, 'lra', $working);
        }
        if ($motor->code === null || $motor->hp === null) {
            return self::byAmps($motor, (float) $motor->fullLoadA, $motor->lockedRotorMultiple, 'estimate', $working);
        }
        [$from, $to] = self::CODES[$motor->code];
        $perHp = match ($bound) {
            'lower' => $from,
            'mid' => ($from + $to) / 2,
            'upper' => $to,
        };
        $kva = $perHp * $motor->hp;
        $working->add('Locked-rotor kVA', sprintf('code %s, %g kVA/hp × %g hp', $motor->code, $perHp, $motor->hp), $kva, 'kVA');

        return new self($kva, 'code');
    }

    /** @param 'estimate'|'lra' $basis */
    private static function byAmps(Motor $motor, float $amps, float $multiple, string $basis, Working $working): self
    {
        $kva = $motor->kvaPerAmp() * $amps * $multiple;
        $times = $basis === 'estimate' ? sprintf(' × %g', $multiple) : '';
        $expression = sprintf('%.4g × %g V × %g A%s / 1000', $motor->lineFactor(), $motor->volts, $amps, $times);
        $working->add('Locked-rotor kVA', $expression, $kva, 'kVA');

        return new self($kva, $basis);
    }
}
