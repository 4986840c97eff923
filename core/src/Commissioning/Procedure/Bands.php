<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Plant\Plant;

/** The bands of measurements on a plant. Rule: docs/rules.md#bands; defaults, each to be confirmed with the makers. */
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
    private const COULD_CONTACT_MOHM = 1000.0;

    private const COULD_HOURS = 1_000_000.0;
    private const COULD_MINUTES = 10_000.0;
    private const COULD_KW = 100_000.0;
    /** Until it is warm; an exercise has its own length. */
    private const RUN_MIN = 10.0;

    /** Of a nominal volt of lead-acid batteries at ordinary temperature. */
    private const FLOAT = [13.2 / 12, 13.8 / 12];
    private const CONTACT_SPREAD = 1.5;
    private const BOND_OHM = 0.1;

    /** American supplies by ANSI C84.1, in parts of nominal; 10 % elsewhere. */
    private const RANGE_A = [0.95, 1.05];
    private const RANGE_B = [0.917, 1.058];
    private const SUPPLY_PCT = 10.0;
    private const BETWEEN_HZ = 55;

    private const SQRT3 = 1.7320508075688772;

    public function __construct(private Plant $plant, private ProcedureOptions $options) {}

    public function of(string $name): Band
    {
        $utility = $this->plant->normal;
        $generator = $this->plant->emergency;

        return match ($name) {
            'utility_v' => $this->utility('Volts', (float) $utility->nominalV),
            'utility_line_v' => $this->utility('Volts between lines', $this->line((float) $utility->nominalV, $utility->phases)),
            'generator_v' => $this->second('Volts', (float) $generator->nominalV),
            'generator_line_v' => $this->second('Volts between lines', $this->line((float) $generator->nominalV, $generator->phases)),
            'utility_hz' => self::hertz((float) $utility->nominalHz),
            'generator_hz_no_load' => $this->generatorHertz((float) $generator->nominalHz, false),
            'generator_hz' => $this->generatorHertz((float) $generator->nominalHz, true),
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
            'charger_float' => new Band(
                'Float voltage',
                'V',
                round($this->options->batteryV * self::FLOAT[0], 2),
                round($this->options->batteryV * self::FLOAT[1], 2),
                couldMin: 0.0,
                couldMax: self::COULD_BATTERY * $this->options->batteryV,
            ),
            'contact' => new Band('Resistance of a closed contact', 'mΩ', null, null, couldMin: 0.0, couldMax: self::COULD_CONTACT_MOHM),
            'contact_spread' => new Band(
                'Highest contact against the lowest of its side',
                'times',
                null,
                self::CONTACT_SPREAD,
                couldMin: 1.0,
            ),
            'contact_point_mv' => new Band('Drop at the test points', 'mV', null, null, couldMin: 0.0, couldMax: self::COULD_CONTACT_MV),
            'contact_point_a' => new Band('Current of the pole at that moment', 'A', null, null, couldMin: 0.0),
            'contact_at_rated' => new Band(
                'Drop at rated current',
                'mV',
                null,
                self::CONTACT_MV,
                couldMin: 0.0,
                couldMax: self::COULD_CONTACT_MV,
            ),
            'bond' => new Band('Neutral bar to ground bar', 'Ω', null, self::BOND_OHM, stopOver: self::BOND_OHM, couldMin: 0.0),
            'class_seconds' => new Band(
                'Loss to load',
                's',
                null,
                (float) $this->options->classSeconds(),
                stopOver: (float) $this->options->classSeconds(),
                couldMin: 0.0,
            ),
            'bank_back' => new Band(
                'Bank off to bank on',
                's',
                $this->options->bankReconnectS,
                null,
                stopUnder: $this->options->bankReconnectS,
                couldMin: 0.0,
            ),
            'dip_hz' => new Band('Deepest frequency', 'Hz', null, null, couldMin: 0.0, couldMax: self::COULD_HZ),
            'engine_hours' => new Band('Hours on the meter', 'h', null, null, couldMin: 0.0, couldMax: self::COULD_HOURS),
            'run_minutes' => new Band('It ran', 'min', self::RUN_MIN, null, couldMin: 0.0, couldMax: self::COULD_MINUTES),
            'carried_kw' => new Band('Load', 'kW', null, null, couldMin: 0.0, couldMax: self::COULD_KW),
            'recovery_s' => new Band('Time to recover', 's', null, null, couldMin: 0.0),
            default => throw new \LogicException("No band $name."),
        };
    }

    /** What the supplier may deliver: good within range A, tolerated within range B, beyond it a call. Elsewhere 10 %. */
    private function utility(string $quantity, float $nominal): Band
    {
        $isAmerican = $this->plant->normal->nominalHz > self::BETWEEN_HZ;
        if ($this->options->utilityVPct !== null || $this->options->edition < 2 || ! $isAmerican) {
            return self::around($quantity, 'V', $nominal, $this->options->utilityVPct ?? self::SUPPLY_PCT);
        }

        return new Band(
            $quantity,
            'V',
            round($nominal * self::RANGE_A[0], 1),
            round($nominal * self::RANGE_A[1], 1),
            $nominal,
            round($nominal * self::RANGE_B[1], 1),
            round($nominal * self::RANGE_B[0], 1),
            0.0,
            self::COULD_VOLTS * $nominal,
        );
    }

    /** A second utility is no generator: it has the band of its kind. */
    private function second(string $quantity, float $nominal): Band
    {
        return $this->plant->engine === null ? $this->utility($quantity, $nominal) : self::around(
            $quantity,
            'V',
            $nominal,
            $this->options->generatorVPct,
        );
    }

    /** A droop set runs fast without load and falls with it; portables have one. */
    private function generatorHertz(float $nominal, bool $isLoaded): Band
    {
        if (! $this->options->isDroop) {
            return self::hertz($nominal);
        }
        $isAmerican = $nominal > self::BETWEEN_HZ;
        [$min, $max] = match (true) {
            $this->options->edition < 2 => [
                $isLoaded ? $nominal * (1 - self::DROOP / 2) : $nominal - self::HALF_A_HERTZ,
                $nominal * (1 + self::DROOP),
            ],
            $isLoaded => $isAmerican ? [57.0, 61.0] : [47.5, 51.0],
            default => $isAmerican ? [59.5, 63.5] : [49.5, 53.0],
        };

        return new Band('Frequency', 'Hz', $min, $max, $nominal, couldMin: 0.0, couldMax: self::COULD_HZ);
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
