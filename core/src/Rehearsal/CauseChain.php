<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

/**
 * From an event back to what set it off, each link the latest earlier event that can have caused it.
 *
 * Which kinds can cause which is a table; the rules of the engine leave no second candidate at the same time.
 */
final readonly class CauseChain
{
    private const LINKS = [
        'switch_closed' => ['transfer_reversed', 'switch_opened'],
        'transfer_reversed' => ['source_lost'],
        'switch_opened' => ['return_bypassed', 'timer_expired:transfer_delay', 'timer_expired:return_delay', 'source_lost:emergency'],
        'return_bypassed' => ['source_lost:emergency', 'source_returned:normal', 'selector_changed'],
        'timer_expired' => ['timer_started'],
        'timer_cancelled' => ['source_lost', 'source_returned', 'outage_abandoned', 'test_ended', 'test_started', 'selector_changed', 'engine_locked_out', 'engine_stopped'],
        'timer_started:start_delay' => ['source_lost:normal', 'selector_changed', 'switch_closed:normal'],
        'timer_started:transfer_delay' => ['source_returned:emergency', 'timer_expired:start_delay', 'test_started', 'source_lost:normal'],
        'timer_started:return_delay' => ['source_returned:normal', 'source_returned:emergency', 'switch_closed:emergency', 'test_ended', 'selector_changed'],
        'timer_started:cooldown' => ['switch_closed:normal', 'outage_abandoned', 'test_ended', 'source_returned:normal', 'selector_changed'],
        'outage_abandoned' => ['source_returned:normal'],
        'start_contact_closed' => ['timer_expired:start_delay', 'test_started', 'source_lost:normal', 'selector_changed'],
        'start_contact_opened' => ['timer_expired:cooldown', 'selector_changed', 'engine_locked_out', 'switch_closed:normal', 'test_ended', 'outage_abandoned'],
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

    /**
     * @param list<Event> $events of one rehearsal
     *
     * @return list<Event> from the event itself back to the first one that nothing in the rehearsal caused
     */
    public function of(array $events, int $place): array
    {
        $chain = [$events[$place]];
        while (($place = $this->cause($events, $place)) !== null) {
            $chain[] = $events[$place];
        }

        return $chain;
    }

    /** @param list<Event> $events */
    private function cause(array $events, int $place): ?int
    {
        $event = $events[$place];
        $causes = self::LINKS[$this->name($event)] ?? self::LINKS[$event->kind] ?? [];
        if ($event->kind === 'engine_locked_out' && $event->keys['reason'] !== 'overcrank') {
            return null; // the script tripped it
        }
        for ($before = $place - 1; $before >= 0; $before--) {
            $other = $events[$before];
            $isSameTimer = ! in_array($event->kind, ['timer_expired'], true) || ($other->keys['timer'] ?? null) === $event->keys['timer'];
            if ($isSameTimer && (in_array($other->kind, $causes, true) || in_array($this->name($other), $causes, true))) {
                return $before;
            }
        }

        return null;
    }

    private function name(Event $event): string
    {
        $detail = $event->keys['timer'] ?? $event->keys['source'] ?? $event->keys['to'] ?? '';

        return $event->kind . ':' . (is_string($detail) ? $detail : '');
    }
}
