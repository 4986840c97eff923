<?php

declare(strict_types=1);

namespace Escapement\Core\Plant;

/** The ten kinds of installation; each is a template of its own. Rule: docs/rules.md#site-plan. */
enum InstallationKind: string
{
    case WholeHouse = 'K1';
    case EssentialCircuits = 'K2';
    case TwoPanels = 'K3';
    case PlugInBox = 'K4';
    case Mobile30 = 'K5';
    case Mobile50 = 'K6';
    case ContactorPair = 'K7';
    case ContactorGenerator = 'K8';
    case MotorDriven = 'K9';
    case FactoryControl = 'K10';

    /** What one sees on site, in a sentence, to choose by. */
    public function sentence(): string
    {
        return match ($this) {
            self::WholeHouse => 'The switch sits ahead of the only panel and is the service disconnect; everything changes over.',
            self::EssentialCircuits => 'A few circuits live in a panel of their own; the rest of the house stays dark.',
            self::TwoPanels => 'Two full panels behind one large switch, often 320 or 400 A.',
            self::PlugInBox => 'A small box with a cord; a portable generator is carried out, plugged in and started by hand.',
            self::Mobile30 => 'A vehicle with a 30 A shore cord and a generator on board.',
            self::Mobile50 => 'A vehicle with a 50 A shore cord and an inlet for a generator.',
            self::ContactorPair => 'Two utility supplies, two interlocked contactors, no engine.',
            self::ContactorGenerator => 'Utility and generator on contactors, timers and relays in a panel.',
            self::MotorDriven => 'Utility and generator on one switch that a motor drives over, with a controller.',
            self::FactoryControl => 'A house whose control wires run between switch and generator as the maker laid them.',
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::WholeHouse => 'Whole house, one service-rated switch',
            self::EssentialCircuits => 'Chosen circuits in their own panel',
            self::TwoPanels => 'Two full-size panels, one large switch',
            self::PlugInBox => 'Plug-in switch box, portable generator',
            self::Mobile30 => 'Mobile, one hot, on-board generator',
            self::Mobile50 => 'Mobile, two hots, generator inlet',
            self::ContactorPair => 'Three-phase, two supplies, contactor pair',
            self::ContactorGenerator => 'Three-phase, generator, contactors and timers',
            self::MotorDriven => 'Three-phase, motor-driven changeover',
            self::FactoryControl => 'House with factory control wiring',
        };
    }

    /** Two or three words for a list. */
    public function short(): string
    {
        return match ($this) {
            self::WholeHouse => 'whole house',
            self::EssentialCircuits => 'chosen circuits',
            self::TwoPanels => 'two panels',
            self::PlugInBox => 'plug-in box',
            self::Mobile30 => 'mobile, one hot',
            self::Mobile50 => 'mobile, two hots',
            self::ContactorPair => 'three-phase, two supplies',
            self::ContactorGenerator => 'three-phase, contactors',
            self::MotorDriven => 'three-phase, motor drive',
            self::FactoryControl => 'house, control wiring',
        };
    }

    /** A vehicle: it comes to its supply by a cord. */
    public function isMobile(): bool
    {
        return $this === self::Mobile30 || $this === self::Mobile50;
    }

    public function isThreePhase(): bool
    {
        return $this === self::ContactorPair || $this === self::ContactorGenerator || $this === self::MotorDriven;
    }

    /** The switch stands in the service, and may be the service disconnect. */
    public function isAtService(): bool
    {
        return in_array(
            $this,
            [self::WholeHouse, self::TwoPanels, self::ContactorGenerator, self::MotorDriven, self::FactoryControl],
            true,
        );
    }

    /** A source with an engine or an inverter behind the emergency side; false with two supplies. */
    public function hasGenerator(): bool
    {
        return $this !== self::ContactorPair;
    }

    /** The generator is brought along, or rides along: nothing of it is fixed to the ground. */
    public function isPortable(): bool
    {
        return $this === self::PlugInBox || $this->isMobile();
    }
}
