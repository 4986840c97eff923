<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Site\Plant;

/** The bands of measurements on a plant. Rule: commissioning §4; defaults, each to be confirmed with the makers. */
final readonly class Bands
{
    private const HALF_A_HERTZ = 0.5;
    /** A droop set runs fast without load and falls to its nominal speed with it. */
    private const DROOP = 0.05;
    private const UNBALANCE_GOOD_PCT = 2.0;
    private const UNBALANCE_STOP_PCT = 5.0;
    private const NEUTRAL_GOOD_V = 2.0;
    private const NEUTRAL_INVESTIGATE_V = 5.0;
    private const INSULATION_MOHM = 1.0;
    private const CONTACT_MV = 50.0;
    /** At rest and while cranking, of a nominal volt. */
    private const BATTERY_REST = 12.4 / 12;
    private const BATTERY_CRANK = 9.6 / 12;
    /** What a meter on the point can read at all, of its nominal or its limit: beside it the figure is asked back. */
    private const COULD_VOLTS = 2.0;
    private const COULD_BATTERY = 2.5;
    private const COULD_AMPS = 3.0;
    private const COULD_HZ = 100.0;
    private const COULD_GROUND_V = 1000.0;
    private const COULD_CONTACT_MV = 10_000.0;
    private const SQRT3 = 1.7320508075688772;

    public function __construct(private Plant $plant, private ProcedureOptions $options) {}

    public function of(string $name): Band
    {
        $utility = $this->plant->normal;
        $generator = $this->plant->emergency;
        // A second utility is no generator: it has the wider band of its kind.
        $generatorPct = $this->plant->engine === null ? $this->options->utilityVPct : $this->options->generatorVPct;

        return match ($name) {
            'utility_v' => self::around('Volts', 'V', (float) $utility->nominalV, $this->options->utilityVPct),
            'utility_line_v' => self::around('Volts between lines', 'V', $this->line((float) $utility->nominalV, $utility->phases), $this->options->utilityVPct),
            'generator_v' => self::around('Volts', 'V', (float) $generator->nominalV, $generatorPct),
            'generator_line_v' => self::around('Volts between lines', 'V', $this->line((float) $generator->nominalV, $generator->phases), $generatorPct),
            'utility_hz' => self::hertz((float) $utility->nominalHz),
            'generator_hz_no_load' => $this->options->isDroop
                ? new Band(
                    'Frequency',
                    'Hz',
                    $generator->nominalHz - self::HALF_A_HERTZ,
                    $generator->nominalHz * (1 + self::DROOP),
                    (float) $generator->nominalHz,
                    couldMin: 0.0,
                    couldMax: self::COULD_HZ,
                )
                : self::hertz((float) $generator->nominalHz),
            'generator_hz' => $this->options->isDroop
                ? new Band(
                    'Frequency',
                    'Hz',
                    $generator->nominalHz * (1 - self::DROOP / 2),
                    $generator->nominalHz * (1 + self::DROOP),
                    (float) $generator->nominalHz,
                    couldMin: 0.0,
                    couldMax: self::COULD_HZ,
                )
                : self::hertz((float) $generator->nominalHz),
            'unbalance' => new Band(
                'Unbalance',
                '%',
                null,
                self::UNBALANCE_GOOD_PCT,
                stopOver: self::UNBALANCE_STOP_PCT,
                couldMin: 0.0,
                couldMax: 100.0,
            ),
            'neutral_ground' => new Band(
                'Neutral to ground',
                'V',
                0,
                self::NEUTRAL_GOOD_V,
                stopOver: self::NEUTRAL_INVESTIGATE_V,
                couldMin: 0.0,
                couldMax: self::COULD_GROUND_V,
            ),
            'battery_rest' => new Band(
                'Battery at rest',
                'V',
                round($this->options->batteryV * self::BATTERY_REST, 2),
                null,
                $this->options->batteryV,
                couldMin: 0.0,
                couldMax: self::COULD_BATTERY * $this->options->batteryV,
            ),
            'battery_crank' => new Band(
                'Battery while cranking',
                'V',
                round($this->options->batteryV * self::BATTERY_CRANK, 2),
                null,
                couldMin: 0.0,
                couldMax: self::COULD_BATTERY * $this->options->batteryV,
            ),
            'insulation' => new Band('Insulation at 500 V d.c.', 'MΩ', self::INSULATION_MOHM, null, couldMin: 0.0),
            'contact_drop' => new Band(
                'Drop over a closed contact',
                'mV',
                null,
                self::CONTACT_MV,
                couldMin: 0.0,
                couldMax: self::COULD_CONTACT_MV,
            ),
            'amps' => new Band(
                'Current',
                'A',
                null,
                $this->options->legA,
                couldMin: 0.0,
                couldMax: $this->options->legA === null ? null : self::COULD_AMPS * $this->options->legA,
            ),
            'dip' => new Band(
                'Deepest voltage',
                'V',
                null,
                null,
                couldMin: 0.0,
                couldMax: self::COULD_VOLTS * $this->line((float) $generator->nominalV, $generator->phases),
            ),
            default => throw new \LogicException("No band $name."),
        };
    }

    private static function around(string $quantity, string $unit, float $nominal, float $pct): Band
    {
        return new Band(
            $quantity,
            $unit,
            $nominal * (1 - $pct / 100),
            $nominal * (1 + $pct / 100),
            $nominal,
            couldMin: 0.0,
            couldMax: self::COULD_VOLTS * $nominal,
        );
    }

    private static function hertz(float $nominal): Band
    {
        return new Band(
            'Frequency',
            'Hz',
            $nominal - self::HALF_A_HERTZ,
            $nominal + self::HALF_A_HERTZ,
            $nominal,
            couldMin: 0.0,
            couldMax: self::COULD_HZ,
        );
    }

    private function line(float $nominalV, int $phases): float
    {
        return $phases === 3 ? self::SQRT3 * $nominalV : 2 * $nominalV;
    }
}
