<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Proof;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;

/** What a proof of a transfer switch is made of. Rule: docs/rules.md#proof. */
enum ProofPart: string
{
    case DeadChecks = 'dead_checks';
    case Sources = 'sources';
    case Rotation = 'rotation';
    case Sensing = 'sensing';
    case Times = 'times';
    case Bait = 'bait';
    case Carries = 'carries';
    case StartCircuit = 'start_circuit';
    case LeftReady = 'left_ready';
    case LoadTest = 'load_test';

    public function label(): string
    {
        return match ($this) {
            self::DeadChecks => 'Checks while dead and bonds',
            self::Sources => 'Each source alone',
            self::Rotation => 'Phase rotation',
            self::Sensing => 'Sensing of an outage',
            self::Times => 'Times',
            self::Bait => 'Bait test',
            self::Carries => 'Load carried',
            self::StartCircuit => 'Start circuit and battery',
            self::LeftReady => 'Left ready',
            self::LoadTest => 'Load test',
        };
    }

    /** For an owner, who has never seen the inside of a panel. */
    public function ownerWords(): string
    {
        return match ($this) {
            self::DeadChecks => 'The wiring and its ground connections were checked with everything switched off.',
            self::Sources => 'Each power source gives the right voltage and frequency by itself.',
            self::Rotation => 'Motors turn the same way on both supplies.',
            self::Sensing => 'The switch notices that the power has failed.',
            self::Times => 'It takes over and goes back in the times that were set.',
            self::Bait => 'It does not trust power that comes back for a moment only.',
            self::Carries => 'The source carries what it has to carry, and what must run was running.',
            self::StartCircuit => 'The engine is started by its own circuit, and its battery is good.',
            self::LeftReady => 'Everything was left ready for the next outage.',
            self::LoadTest => 'The source carried its load for the time of a load test.',
        };
    }

    /** Whether such an installation has this part at all. */
    public function isOf(InstallationKind $installation, PlantKind $plant): bool
    {
        return match ($this) {
            self::Rotation => $installation->isThreePhase(),
            self::Bait => $plant !== PlantKind::Mobile,
            self::StartCircuit => $plant->hasEngine(),
            default => true,
        };
    }
}
