<?php

declare(strict_types=1);

namespace Escapement\Core\Simulation;

use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event\TimerCancelled;
use Escapement\Core\Simulation\Event\TimerExpired;
use Escapement\Core\Simulation\Event\TimerStarted;

/**
 * The one story of a rehearsal: the state at any moment, and the spans of every lane. Strip, cursor, small one-line and
 * sentences read this, so they cannot disagree.
 */
final readonly class StateTimeline
{
    /** @var list<Moment> */
    public array $moments;

    /**
     * @param list<Event> $events  of one simulation, in order
     * @param int         $untilMs where the last spans end
     */
    public function __construct(public SystemState $initial, array $events, public int $untilMs)
    {
        $moments = [];
        $state = clone $initial;
        for ($i = 0, $count = count($events); $i < $count;) {
            $within = [];
            $tMs = $events[$i]->tMs;
            while ($i < $count && $events[$i]->tMs === $tMs) {
                $events[$i]->change($state);
                $within[] = $events[$i++];
            }
            if ($within !== []) {
                $moments[] = new Moment($tMs, $within, clone $state);
            }
        }
        $this->moments = $moments;
    }

    /** How everything stands at the end of that millisecond. */
    public function at(int $ms): SystemState
    {
        $low = 0;
        $high = count($this->moments);
        while ($low < $high) { // the first moment after $ms
            $middle = intdiv($low + $high, 2);
            if ($this->moments[$middle]->tMs <= $ms) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return ($this->moments[$low - 1] ?? null)->state ?? $this->initial;
    }

    /** The word of a lane at the end of that millisecond. */
    public function stateOf(Lane $lane, int $ms): string
    {
        return $lane->read($this->at($ms), $ms);
    }

    /** @return list<Span> without a gap from 0 to the end */
    public function spans(Lane $lane): array
    {
        return $this->spansOf($lane->read(...));
    }

    /** @return list<Span> on or shed */
    public function loadSpans(string $load): array
    {
        return $this->spansOf(static fn(SystemState $state): string => isset($state->shed[$load]) ? 'shed' : 'on');
    }

    /** @return list<TimerSpan> in the order in which they began */
    public function timerSpans(TimerName $timer): array
    {
        $spans = [];
        $running = null;
        foreach ($this->moments as $moment) {
            foreach ($moment->events as $event) {
                if ($event instanceof TimerStarted && $event->timer === $timer) {
                    $running = $event;
                } elseif (($event instanceof TimerExpired || $event instanceof TimerCancelled)
                    && $event->timer === $timer
                    && $running !== null) {
                    $cut = $event instanceof TimerCancelled ? $event->cut : null;
                    $spans[] = new TimerSpan($timer, $running->tMs, $event->tMs, $running->durationMs, false, $cut);
                    $running = null;
                }
            }
        }
        if ($running !== null) {
            $spans[] = new TimerSpan($timer, $running->tMs, max($running->tMs, $this->untilMs), $running->durationMs, true, null);
        }

        return $spans;
    }

    /**
     * @param \Closure(SystemState, int): string $read
     *
     * @return list<Span>
     */
    private function spansOf(\Closure $read): array
    {
        $spans = [];
        $word = $read($this->initial, 0);
        $fromMs = 0;
        foreach ($this->changes() as [$atMs, $state]) {
            $next = $read($state, $atMs);
            if ($next === $word) {
                continue;
            }
            if ($atMs > $fromMs) {
                $spans[] = new Span($fromMs, $atMs, $word);
            }
            [$word, $fromMs] = [$next, $atMs];
        }
        $spans[] = new Span($fromMs, max($fromMs, $this->untilMs), $word);

        return $spans;
    }

    /** @return iterable<array{int, SystemState}> every time at which some lane may change: the moments, and an engine coming to rest */
    private function changes(): iterable
    {
        $standsAtMs = null;
        $last = $this->initial;
        foreach ($this->moments as $moment) {
            if ($standsAtMs !== null && $standsAtMs < $moment->tMs) {
                yield [$standsAtMs, $last];
            }
            yield [$moment->tMs, $moment->state];
            $last = $moment->state;
            $standsAtMs = $last->engine === EngineState::Coasting
                && $last->engineStandsAtMs > $moment->tMs ? $last->engineStandsAtMs : null;
        }
        if ($standsAtMs !== null && $standsAtMs < $this->untilMs) {
            yield [$standsAtMs, $last];
        }
    }
}
