<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** The stages of proving and of a service visit, in their order. Rule: docs/rules.md#procedure. */
enum Stage: string
{
    /** Of a service visit: looked at before anything is touched. Rule: docs/rules.md#service-visit. */
    case AsFound = 'as_found';
    case Isolate = 'isolate';
    /** Only where the procedure goes with the installation. Rule: docs/rules.md#procedure. */
    case Install = 'install';
    case Inspect = 'inspect';
    case DeadChecks = 'dead_checks';
    /** Of a service visit, with the engine blocked; and with the enclosure dead. */
    case EngineService = 'engine_service';
    case SwitchService = 'switch_service';
    case WatchedRun = 'watched_run';
    case AsLeft = 'as_left';
    case Energise = 'energise';
    case NoLoadRun = 'no_load_run';
    case SimulatedOutage = 'simulated_outage';
    case OnLoadChecks = 'on_load_checks';
    case BaitTest = 'bait_test';
    case Return_ = 'return';
    /** What the owner will do; it proves less than the outage, and only where it is chosen. */
    case TestButton = 'test_button';
    case ManualTransfer = 'manual_transfer';
    /** What the set does when something is wrong with it. */
    case Protections = 'protections';
    case CleanUp = 'clean_up';

    public function title(): string
    {
        return match ($this) {
            self::AsFound => 'As found',
            self::Isolate => 'Isolate',
            self::Install => 'Install',
            self::Inspect => 'Inspect',
            self::DeadChecks => 'Checks while dead',
            self::EngineService => 'Service of the engine',
            self::SwitchService => 'Service of the switch',
            self::WatchedRun => 'Watched run',
            self::AsLeft => 'As left',
            self::Energise => 'Energise',
            self::NoLoadRun => 'Run without load',
            self::SimulatedOutage => 'Simulated outage',
            self::OnLoadChecks => 'Checks on load',
            self::BaitTest => 'Bait test',
            self::Return_ => 'Return',
            self::TestButton => 'Test by the button',
            self::ManualTransfer => 'Manual transfer',
            self::Protections => 'Protections and alarms',
            self::CleanUp => 'Clean up and hand over',
        };
    }
}
