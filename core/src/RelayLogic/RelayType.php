<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/** What stands in a control circuit. Rule: docs/rules.md#relay-check. */
enum RelayType: string
{
    case Contactor = 'contactor';
    case Relay = 'relay';
    case Lamp = 'lamp';
    case PushButton = 'pushbutton';
    case Handle = 'handle';
    case Timer = 'timer';
    case PhaseRelay = 'phase_relay';
    case Selector = 'selector';
    case MotorChangeover = 'motor_changeover';
    case Start = 'start';

    /** Whether it has a value of its own that moves: dropped, in travel, picked. */
    public function isMoving(): bool
    {
        return in_array($this, [self::Contactor, self::Relay, self::Timer, self::PhaseRelay, self::MotorChangeover], true);
    }

    /** Whether contacts of it are drawn as open or closed at rest. */
    public function hasContacts(): bool
    {
        return in_array($this, [self::Contactor, self::Relay, self::Timer, self::PhaseRelay, self::PushButton, self::Handle], true);
    }

    /** Whether a rung drives it as a whole. */
    public function hasCoil(): bool
    {
        return in_array($this, [self::Contactor, self::Relay, self::Timer, self::Lamp], true);
    }
}
