<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Event\EngineLockedOut;
use Escapement\Core\Simulation\EventKind;

/**
 * From an event back to what set it off, each link the latest earlier event that can have caused it.
 *
 * Which kinds can cause which is a table; the rules of the engine leave no second candidate at the same time. The
 * causes of all events are found in one pass, so that a season's strip can ask for each.
 */
final readonly class CauseChain
{
    private const LINKS = [
        'switch_closed' => ['transfer_reversed', 'switch_opened'],
        'transfer_reversed' => ['source_lost'],
        'switch_opened' => ['return_bypassed', 'timer_expired:transfer_delay', 'timer_expired:return_delay', 'source_lost:emergency'],
        'return_bypassed' => ['source_lost:emergency', 'source_returned:normal', 'selector_changed'],
        'timer_cancelled' => [
            'source_lost',
            'source_returned',
            'outage_abandoned',
            'test_ended',
            'test_started',
            'selector_changed',
            'engine_locked_out',
            'engine_stopped',
        ],
        'timer_started:start_delay' => ['source_lost:normal', 'selector_changed', 'switch_closed:normal'],
        'timer_started:transfer_delay' => ['source_returned:emergency', 'timer_expired:start_delay', 'test_started', 'source_lost:normal'],
        'timer_started:return_delay' => [
            'source_returned:normal',
            'source_returned:emergency',
            'switch_closed:emergency',
            'test_ended',
            'selector_changed',
        ],
        'timer_started:cooldown' => [
            'switch_closed:normal',
            'outage_abandoned',
            'test_ended',
            'source_returned:normal',
            'selector_changed',
        ],
        'outage_abandoned' => ['source_returned:normal'],
        'start_contact_closed' => ['timer_expired:start_delay', 'test_started', 'source_lost:normal', 'selector_changed'],
        'start_contact_opened' => [
            'timer_expired:cooldown',
            'selector_changed',
            'engine_locked_out',
            'switch_closed:normal',
            'test_ended',
            'outage_abandoned',
        ],
        'crank_started' => ['crank_failed', 'start_contact_closed', 'engine_reset'],
        'crank_failed' => ['crank_started'],
        'engine_fired' => ['crank_started'],
        'engine_at_speed' => ['engine_fired'],
        'engine_stopped' => ['start_contact_opened'],
        'engine_locked_out' => ['crank_failed'],
        'source_returned:emergency' => ['engine_fired'],
        'source_lost:emergency' => ['engine_stopped', 'engine_locked_out'],
        'test_ended' => ['source_lost', 'selector_changed', 'test_started'],
        'bus_dead' => ['switch_opened'],
        'bus_live' => ['switch_closed', 'source_returned', 'engine_fired'],
        'load_shed' => ['switch_closed:emergency'],
        'load_restored' => ['switch_closed:normal', 'bus_live', 'load_shed'],
        'overload_unresolved' => ['load_shed'],
    ];

    /** @var array<int, int> the place of each event's cause, by its own place */
    private array $causes;

    /** @param list<Event> $events of one rehearsal */
    public function __construct(private array $events)
    {
        $causes = [];
        /** @var array<string, int> $latest places by name */
        $latest = [];
        foreach ($events as $place => $event) {
            $name = self::name($event);
            $before = array_intersect_key($latest, array_flip(self::candidates($event, $name)));
            if ($before !== []) {
                $causes[$place] = max($before);
            }
            $latest[$event->kind()->value] = $latest[$name] = $place;
        }
        $this->causes = $causes;
    }

    /** @return list<Event> from the event itself back to the first one that nothing in the rehearsal caused */
    public function of(int $place): array
    {
        $chain = [$this->events[$place]];
        while (isset($this->causes[$place])) {
            $place = $this->causes[$place];
            $chain[] = $this->events[$place];
        }

        return $chain;
    }

    /** @return list<string> */
    private static function candidates(Event $event, string $name): array
    {
        if ($event->kind() === EventKind::TimerExpired) {
            return [str_replace('expired', 'started', $name)];
        }
        if ($event instanceof EngineLockedOut && $event->isTrip()) {
            return []; // the script tripped it
        }

        return self::LINKS[$name] ?? self::LINKS[$event->kind()->value] ?? [];
    }

    private static function name(Event $event): string
    {
        return $event->kind()->value . ':' . $event->detail();
    }
}
