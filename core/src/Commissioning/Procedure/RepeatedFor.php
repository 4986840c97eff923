<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

/** What a row of the table is repeated for. */
enum RepeatedFor: string
{
    case Once = 'once';
    /** Each voltage channel: leg or phase to neutral. */
    case Leg = 'leg';
    /** Each device of the one-line that isolates. */
    case Isolator = 'isolator';
    /** Each supply that somebody else, or a device that is not drawn, opens upstream of the work. */
    case Upstream = 'upstream';
    /** Each disconnect of the one-line that stands ahead of the installation. */
    case AheadIsolator = 'ahead_isolator';
    /** Each phase of each source of a three-phase installation. */
    case PhaseOfSource = 'phase_of_source';
    /** Each leg of the supply of a single-phase installation. */
    case LegOfSupply = 'leg_of_supply';

    /** Each pole of the switch, on each of its sides. */
    case PoleOfSide = 'pole_of_side';

    /** Each sub-panel of the site. */
    case SubPanel = 'sub_panel';

    /** Each load that must run. */
    case MustRun = 'must_run';
    /** Quarter steps of a load bank. */
    case Quarter = 'quarter';
    /** Each feeder that is pulled. */
    case Feeder = 'feeder';
    /** Each enclosure that something lands in. */
    case Enclosure = 'enclosure';
    /** Each lug of the landing list. */
    case Lug = 'lug';
    /** Each bond, neutral or electrode conductor that moves. */
    case Move = 'move';
    /** Each enclosure in which something of that moves. */
    case MovePlace = 'move_place';
    /** Each state of a control circuit in which it is rung out. */
    case Continuity = 'continuity';
    /** Each device of a control circuit that has something to turn. */
    case Dial = 'dial';
    /** Each position of its selector. */
    case SelectorPosition = 'selector_position';
    /** Each phase of its first source, timed by the circuit; and of its second. */
    case PhaseOfFirst = 'phase_of_first';
    case PhaseOfSecond = 'phase_of_second';
}
