<?php

declare(strict_types=1);

namespace Escapement\Core\Device\Profile;

/**
 * What a register of a foreign device can hold, in our units. Rule: docs/rules.md#device-profile.
 */
enum Quantity: string
{
    case VoltsL1 = 'v_l1';
    case VoltsL2 = 'v_l2';
    case VoltsL3 = 'v_l3';
    case AmperesL1 = 'a_l1';
    case AmperesL2 = 'a_l2';
    case AmperesL3 = 'a_l3';
    case AmperesN = 'a_n';
    case Hertz = 'hz';
    case Kilowatts = 'kw';
    case Kilovars = 'kvar';
    case PowerFactor = 'pf';
    case OilPressure = 'oil_kpa';
    case Coolant = 'coolant_c';
    case Exhaust = 'exhaust_c';
    case Battery = 'battery_v';
    case FuelLevel = 'fuel_pct';
    case RunHours = 'run_h';
    case EngineRuns = 'engine_runs';
    case OnNormal = 'on_normal';
    case OnEmergency = 'on_emergency';
    case Fault = 'fault';

    public function label(): string
    {
        return match ($this) {
            self::VoltsL1 => 'Volts L1 to neutral',
            self::VoltsL2 => 'Volts L2 to neutral',
            self::VoltsL3 => 'Volts L3 to neutral',
            self::AmperesL1 => 'Amperes L1',
            self::AmperesL2 => 'Amperes L2',
            self::AmperesL3 => 'Amperes L3',
            self::AmperesN => 'Amperes neutral',
            self::Hertz => 'Frequency',
            self::Kilowatts => 'Power',
            self::Kilovars => 'Reactive power',
            self::PowerFactor => 'Power factor',
            self::OilPressure => 'Oil pressure',
            self::Coolant => 'Coolant',
            self::Exhaust => 'Exhaust',
            self::Battery => 'Starting battery',
            self::FuelLevel => 'Fuel level',
            self::RunHours => 'Run hours',
            self::EngineRuns => 'Engine runs',
            self::OnNormal => 'Switch on utility',
            self::OnEmergency => 'Switch on generator',
            self::Fault => 'Fault',
        };
    }

    /** The unit that the product counts in; empty for a state. */
    public function unit(): string
    {
        return match ($this) {
            self::VoltsL1, self::VoltsL2, self::VoltsL3, self::Battery => 'V',
            self::AmperesL1, self::AmperesL2, self::AmperesL3, self::AmperesN => 'A',
            self::Hertz => 'Hz',
            self::Kilowatts => 'kW',
            self::Kilovars => 'kvar',
            self::PowerFactor => 'ratio',
            self::OilPressure => 'kPa',
            self::Coolant, self::Exhaust => '°C',
            self::FuelLevel => '%',
            self::RunHours => 'h',
            self::EngineRuns, self::OnNormal, self::OnEmergency, self::Fault => '',
        };
    }

    public function isState(): bool
    {
        return $this->unit() === '';
    }

    /**
     * Units that a device may count in.
     *
     * @return array<string, array{float, float}> factor to ours, then what is added
     */
    public function units(): array
    {
        return match ($this->unit()) {
            'V' => ['V' => [1.0, 0.0], 'mV' => [0.001, 0.0], 'kV' => [1000.0, 0.0]],
            'A' => ['A' => [1.0, 0.0], 'mA' => [0.001, 0.0], 'kA' => [1000.0, 0.0]],
            'Hz' => ['Hz' => [1.0, 0.0], 'mHz' => [0.001, 0.0]],
            'kW' => ['kW' => [1.0, 0.0], 'W' => [0.001, 0.0], 'MW' => [1000.0, 0.0]],
            'kvar' => ['kvar' => [1.0, 0.0], 'var' => [0.001, 0.0], 'Mvar' => [1000.0, 0.0]],
            'ratio' => ['ratio' => [1.0, 0.0], '%' => [0.01, 0.0]],
            'kPa' => ['kPa' => [1.0, 0.0], 'psi' => [6.894757293, 0.0], 'bar' => [100.0, 0.0], 'mbar' => [0.1, 0.0]],
            '°C' => ['°C' => [1.0, 0.0], '°F' => [5 / 9, -160 / 9], 'K' => [1.0, -273.15]],
            '%' => ['%' => [1.0, 0.0], 'ratio' => [100.0, 0.0]],
            'h' => ['h' => [1.0, 0.0], 'min' => [1 / 60, 0.0], 's' => [1 / 3600, 0.0]],
            default => ['' => [1.0, 0.0]],
        };
    }

    /** @return array{float, float} what can be; outside of it the map is wrong rather than the machine */
    public function plausible(): array
    {
        return match ($this->unit()) {
            'V' => [0.0, 1000.0],
            'A' => [0.0, 10_000.0],
            'Hz' => [0.0, 100.0],
            'kW', 'kvar' => [-100_000.0, 100_000.0],
            'ratio' => [-1.0, 1.0],
            'kPa' => [0.0, 2000.0],
            '°C' => [-60.0, 1100.0],
            '%' => [0.0, 100.0],
            'h' => [0.0, 1_000_000.0],
            default => [0.0, 1.0],
        };
    }
}
