<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

/**
 * Something that happened: a small value that knows its keys on the wire, what it changes, and how to say it.
 *
 * A new kind of event is a class in Event/ and a case of EventKind; lanes, cursor, metrics and sentences follow by themselves.
 */
abstract class Event
{
    /**
     * Milliseconds since the start. Nobody writes it but the constructor of each class, which takes it itself: a call of a
     * constructor here would cost a twentieth of a season.
     */
    public int $tMs;

    abstract public function kind(): EventKind;

    /** @return array<string, mixed> as on the wire, in the order of the schema */
    public function keys(): array
    {
        return [];
    }

    /** What the event changes in the state; most change one field, some nothing. */
    public function change(SystemState $state): void {}

    /** Which of its kind it is, where that matters to what it can cause: the timer, the source, the side. */
    public function detail(): string
    {
        return '';
    }

    /** What happened, without the reason. */
    abstract public function headline(SourceNames $names): string;

    /** The reason, as a sentence that goes on after "because". */
    abstract public function because(SourceNames $names): string;
}
