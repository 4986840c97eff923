<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\RelayType;
use Escapement\Core\RelayLogic\Story\CircuitMoment;

/** Tells the state of a played circuit as a moment, as a ladder shows it. Rule: docs/rules.md#relay-play. */
final readonly class PlayMoments
{
    private const LIVE_PCT = 50;

    public static function of(PlayState $state): CircuitMoment
    {
        $circuit = $state->input->circuit;
        $closed = $energised = $called = $alive = [];
        foreach ($circuit->contacts() as $contact) {
            $closed[$contact->id] = $state->isClosed($contact);
        }
        foreach ($circuit->rungs as $rung) {
            $type = $circuit->deviceById[explode('.', $rung->coil)[0]]->type;
            $energised[$rung->coil] = $type === RelayType::Lamp ? $state->isLit($rung->coil) : $state->isOn($rung->coil);
        }
        foreach ($circuit->ofType(RelayType::Start) as $start) {
            $called[$start->id] = $state->isStarted($start);
        }
        foreach ($circuit->supplies as $supply) {
            $alive[$supply->id] = $supply->isAlways || $state->isWhole($supply->id, self::LIVE_PCT);
        }

        return new CircuitMoment(
            $alive,
            $state->values,
            $state->selector,
            array_map(strval(...), array_keys($state->pressed)),
            $state->isHandleIn,
            $closed,
            $energised,
            $called,
            $state->closedMains(),
        );
    }
}
