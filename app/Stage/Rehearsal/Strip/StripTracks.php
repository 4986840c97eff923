<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal\Strip;

use Escapement\Core\Rehearsal\Event;
use Escapement\Core\Rehearsal\Overload;
use Escapement\Core\Rehearsal\RehearsalResult;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\Verb;
use Escapement\Core\Site\Side;

/**
 * A rehearsal sorted into lanes: from when to when what was the case. Nothing is decided here; the events said it all.
 */
final class StripTracks
{
    /** Why a timer was cut, in three words for the strip. */
    private const CUT = [
        'normal_returned' => 'utility is back', 'normal_lost' => 'utility lost again', 'emergency_lost' => 'generator lost', 'selector' => 'selector off',
        'test' => 'test begins', 'engine_gone' => 'engine stopped', 'no_reason_to_transfer' => 'no reason left',
    ];

    /** @var array<string, list<array{fromMs: int, toMs: int, durationMs: int, end: string, cut: string}>> by timer; end is ran_out, cut or open */
    public array $timers = [];
    /** @var list<array{fromMs: int, toMs: int, what: string}> */
    public array $engine = [];
    /** @var list<array{fromMs: int, toMs: int, what: string}> normal, emergency or between */
    public array $position = [];
    /** @var list<array{fromMs: int, toMs: int, what: string}> normal, emergency or dark */
    public array $bus = [];
    /** @var list<array{fromMs: int, toMs: int, what: string}> good or lost */
    public array $utilityDeclared = [];
    /** @var array<string, list<array{fromMs: int, toMs: int, what: string}>> by load: on or shed */
    public array $loads = [];
    /** @var list<array{atMs: int, v: list<float>}> corners of the utility's voltage */
    public array $volts = [];
    /** @var list<int> */
    public array $momentsMs = [];
    public readonly int $untilMs;
    /** Null where what the source gives is not known. */
    public readonly ?Overload $overload;

    public function __construct(public readonly Scenario $scenario, public readonly RehearsalResult $result)
    {
        $last = $result->events === [] ? 0 : $result->events[count($result->events) - 1]->tMs;
        $script = array_map(static fn($event): int => $event->atMs, $scenario->events);
        $this->momentsMs = array_values(array_unique(array_merge(
            array_map(static fn(Event $event): int => $event->tMs, $result->events),
            array_filter($script, static fn(int $ms): bool => $ms <= $scenario->untilMs),
        )));
        $this->untilMs = min($scenario->untilMs, max($last, $script === [] ? 0 : max($script)) + 9000);
        $this->overload = $scenario->sourceKw === null ? null : new Overload($scenario, $result, $scenario->sourceKw);
        $this->readTimers();
        $this->engine = $this->states('stopped', static fn(Event $event): ?string => match ($event->kind) {
            'crank_started' => 'cranking',
            'crank_failed' => 'resting',
            'engine_fired' => 'running_up',
            'engine_at_speed' => 'running',
            'engine_stopped' => 'coasting',
            'engine_locked_out' => 'locked_out',
            'engine_reset' => 'stopped',
            'timer_started' => $event->keys['timer'] === 'cooldown' ? 'cooling' : null,
            'timer_cancelled' => $event->keys['timer'] === 'cooldown' ? 'running' : null,
            default => null,
        });
        $this->position = $this->states($scenario->initial->value, static fn(Event $event): ?string => match ($event->kind) {
            'switch_opened' => 'between',
            'switch_closed' => $event->keys['to'],
            default => null,
        });
        $this->bus = $this->states($scenario->initial->value, static fn(Event $event): ?string => match ($event->kind) {
            'bus_dead' => 'dark',
            'bus_live' => $event->why['side'],
            default => null,
        });
        $this->utilityDeclared = $this->states('good', static fn(Event $event): ?string => match (true) {
            ($event->keys['source'] ?? '') !== 'normal' => null,
            $event->kind === 'source_lost' => 'lost',
            $event->kind === 'source_returned' => 'good',
            default => null,
        });
        foreach ($scenario->loads as $load) {
            $this->loads[$load->id] = $this->states('on', static fn(Event $event): ?string => match (true) {
                ($event->keys['load'] ?? '') !== $load->id => null,
                $event->kind === 'load_shed' => 'shed',
                $event->kind === 'load_restored' => 'on',
                default => null,
            });
        }
        $this->readVolts();
    }

    private function readTimers(): void
    {
        $running = [];
        foreach ($this->result->events as $event) {
            $timer = $event->keys['timer'] ?? null;
            if ($event->kind === 'timer_started') {
                $running[$timer] = $event;
            } elseif ($event->kind === 'timer_expired' || $event->kind === 'timer_cancelled') {
                $this->timers[$timer][] = [
                    'fromMs' => $running[$timer]->tMs, 'toMs' => $event->tMs, 'durationMs' => $event->keys['duration_ms'],
                    'end' => $event->kind === 'timer_expired' ? 'ran_out' : 'cut', 'cut' => self::CUT[$event->why['cut'] ?? ''] ?? '',
                ];
                unset($running[$timer]);
            }
        }
        foreach ($running as $timer => $event) {
            $this->timers[$timer][] = ['fromMs' => $event->tMs, 'toMs' => $this->untilMs, 'durationMs' => $event->keys['duration_ms'], 'end' => 'open', 'cut' => ''];
        }
    }

    /**
     * @param callable(Event): ?string $read the new state, null for no change
     *
     * @return list<array{fromMs: int, toMs: int, what: string}>
     */
    private function states(string $initial, callable $read): array
    {
        $states = [];
        $what = $initial;
        $fromMs = 0;
        foreach ($this->result->events as $event) {
            $new = $read($event);
            if ($new === null || $new === $what) {
                continue;
            }
            if ($event->tMs > $fromMs) {
                $states[] = ['fromMs' => $fromMs, 'toMs' => $event->tMs, 'what' => $what];
            }
            [$what, $fromMs] = [$new, $event->tMs];
        }
        $states[] = ['fromMs' => $fromMs, 'toMs' => max($fromMs, $this->untilMs), 'what' => $what];

        return $states;
    }

    private function readVolts(): void
    {
        $source = $this->scenario->plant->normal;
        $now = array_fill(0, $source->phases, (float) $source->nominalV);
        $this->volts[] = ['atMs' => 0, 'v' => $now];
        foreach ($this->scenario->events as $event) {
            if ($event->source !== Side::Normal || $event->v === null || $event->atMs > $this->untilMs) {
                continue;
            }
            $this->volts[] = ['atMs' => $event->atMs, 'v' => $now];
            $now = array_map(floatval(...), $event->v);
            $this->volts[] = ['atMs' => $event->do === Verb::RampSource ? min($this->untilMs, $event->atMs + $event->overMs) : $event->atMs, 'v' => $now];
        }
        $this->volts[] = ['atMs' => $this->untilMs, 'v' => $now];
    }
}
