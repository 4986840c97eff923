<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Settings\SheetWords;

/**
 * The plain sentence behind an event, as a colleague would say it in the basement. Not compared by any test.
 *
 * Times in seconds as on the settings sheet; the subject is always the thing and the reason, never the rule's number.
 */
final readonly class Because
{
    private const TIMERS = [
        'start_delay' => 'start delay', 'transfer_delay' => 'transfer delay', 'return_delay' => 'return delay', 'cooldown' => 'cool-down',
    ];

    /** What happened, without the reason. */
    public function headline(Event $event): string
    {
        $keys = $event->keys;

        return match ($event->kind) {
            'source_lost' => $this->source($keys) . ' declared lost',
            'source_returned' => $this->source($keys) . ' counts as good',
            'sag_ridden' => sprintf('%s sagged for %s and was ridden through', $this->source($keys), $this->seconds($keys['lasted_ms'])),
            'timer_started' => sprintf('%s starts, %s', ucfirst($this->timer($keys)), $this->seconds($keys['duration_ms'])),
            'timer_cancelled' => sprintf('%s cut at %s', ucfirst($this->timer($keys)), $this->seconds($keys['elapsed_ms'])),
            'timer_expired' => sprintf('%s ran out', ucfirst($this->timer($keys))),
            'start_contact_closed' => 'Start contact closes',
            'start_contact_opened' => 'Start contact opens',
            'crank_started' => sprintf('Crank %d begins', $this->int($keys['attempt'])),
            'crank_failed' => sprintf('Crank %d did not fire', $this->int($keys['attempt'])),
            'engine_fired' => 'Engine fires',
            'engine_at_speed' => 'Engine at speed',
            'engine_stopped' => 'Engine stops',
            'engine_locked_out' => 'Engine locked out: ' . $this->text($keys['reason']),
            'engine_reset' => 'Lock-out cleared',
            'outage_abandoned' => 'Transfer called off',
            'switch_opened' => sprintf('Switch opens from the %s', $this->side($keys['from'])),
            'switch_closed' => sprintf('Switch closes on the %s', $this->side($keys['to'])),
            'transfer_reversed' => sprintf('Switch turns back to the %s', $this->side($keys['to'])),
            'return_bypassed' => 'Return delay bypassed',
            'test_started' => ($keys['cause'] === 'exercise' ? 'Exercise' : 'Test') . ($keys['with_load'] === true ? ' with load' : ' without load') . ' begins',
            'test_ended' => 'Test ends',
            'test_refused' => 'Test refused',
            'exercise_skipped' => 'Exercise skipped',
            'selector_changed' => 'Selector to ' . $this->text($keys['to']),
            'bus_dead' => 'Loads dark',
            'bus_live' => 'Loads live',
            'load_shed' => $this->text($keys['load']) . ' shed',
            'load_restored' => $this->text($keys['load']) . ' back on',
            'overload_unresolved' => 'Overload stays',
            default => str_replace('_', ' ', $event->kind),
        };
    }

    public function sentence(Event $event): string
    {
        $keys = $event->keys;
        $why = $event->why;

        return match ($event->kind) {
            'source_lost' => sprintf('the %s has been beyond its limit since %s: %s.', $this->side($keys['source']), SheetWords::clock($this->int($why['since_ms'])), $this->latch($why)),
            'source_returned' => sprintf('the %s is inside every pick-up at %s; whether it stays is for a delay to prove.', $this->side($keys['source']), $this->volts($why)),
            'sag_ridden' => sprintf('it came back before the drop-out delay of %s was over.', $this->seconds($why['delay_ms'])),
            'timer_started' => $this->timerStarted($event),
            'timer_cancelled' => $this->timerCancelled($event),
            'timer_expired' => sprintf('%s have passed without a break.', $this->seconds($keys['duration_ms'])),
            'start_contact_closed' => match ($why['for']) {
                'start_delay' => 'the start delay ran out and the utility has not come back.',
                'test' => 'a test asks for the engine.',
                default => 'the load is on the generator and the utility is lost.',
            },
            'start_contact_opened' => match ($why['for']) {
                'cooldown' => 'the engine has cooled down and nobody needs it.',
                'selector' => 'the selector was turned off.',
                default => 'nobody needs the engine, and it is not running, so it has nothing to cool down from.',
            },
            'crank_started' => $why['by_hand'] === true ? 'the generator was started by hand.' : sprintf('the engine is asked for; attempt %d of %d.', $this->int($keys['attempt']), $this->int($why['of'])),
            'crank_failed' => sprintf('it did not fire within the crank limit of %s.', $this->seconds($why['limit_ms'])),
            'engine_fired' => sprintf('it needed %s of cranking; volts rise over %s.', $this->seconds($why['crank_ms']), $this->seconds($why['run_up_ms'])),
            'engine_at_speed' => sprintf('the run-up of %s is over.', $this->seconds($why['run_up_ms'])),
            'engine_stopped' => $why['ran_ms'] === null ? 'nobody asks for it any more; it had not fired.' : sprintf('nobody asks for it any more; it ran %s.', $this->seconds($why['ran_ms'])),
            'engine_locked_out' => $keys['reason'] === 'overcrank'
                ? sprintf('%d attempts did not fire; somebody has to go there and reset it.', $this->int($why['attempts']))
                : sprintf('it tripped: %s. It stays off until it is reset.', $this->text($keys['reason'])),
            'engine_reset' => 'somebody reset the lock-out.',
            'outage_abandoned' => 'the utility came back before the switch had moved.',
            'switch_opened' => match ($why['for'] ?? '') {
                'outage' => 'the utility is lost and the generator has been good for the transfer delay.',
                'test' => 'the test is to carry the load.',
                'return' => 'the utility has been good for the whole return delay.',
                'bypass' => 'the generator is gone and the utility is there: no reason to wait in the dark.',
                'relay' => 'the generator is good; this relay prefers it.',
                default => 'the generator is gone; the relay falls back to shore power.',
            },
            'switch_closed' => sprintf('moving takes %s.', $this->seconds($why['move_ms'])),
            'transfer_reversed' => 'the side it was going to was lost while it moved, and the other one is good.',
            'return_bypassed' => 'the generator was lost while the utility is good.',
            'test_started' => $keys['cause'] === 'exercise' ? 'the exercise clock came round.' : 'somebody pressed test.',
            'test_ended' => match ($keys['reason']) {
                'stopped' => 'somebody ended it.',
                'finished' => 'its time is over.',
                'outage' => 'a real outage goes before a test.',
                'emergency_lost' => 'the generator was lost under it.',
                default => 'the selector was turned off.',
            },
            'test_refused', 'exercise_skipped' => $this->text($keys['reason']) . '.',
            'selector_changed' => $keys['to'] === 'off' ? 'somebody turned it off: nothing starts or transfers by itself now.' : 'somebody turned it back to automatic.',
            'bus_dead' => $why['side'] === null ? 'the switch is between its two sides.' : sprintf('the %s fell below half of its voltage.', $this->side($why['side'])),
            'bus_live' => sprintf('the switch is closed on the %s, and it has voltage.', $this->side($why['side'])),
            'load_shed' => match ($keys['reason']) {
                'transfer' => 'what may be shed is let go before the generator takes the load.'
                    . (is_int($why['locked_ms']) && $why['locked_ms'] > 0 ? sprintf(
                        ' Its compressor waits %s.',
                        SheetWords::seconds($why['locked_ms']),
                    ) : ''),
                default => sprintf('%s kW is over the limit of %s kW; it is the least important one still on.', $this->figure($why['carried_kw']), $this->figure($why['limit_kw'])),
            },
            'load_restored' => match ($keys['reason']) {
                'normal' => 'the load is back on the utility.',
                default => sprintf('%s + %s kW fits the %s kW.', $this->figure($why['carried_kw']), $this->figure($why['load_kw']), $this->figure($why['limit_kw'])),
            },
            'overload_unresolved' => sprintf('%s kW is over the limit of %s kW and there is nothing left to shed.', $this->figure($why['carried_kw']), $this->figure($why['limit_kw'])),
            default => '',
        };
    }

    private function timerStarted(Event $event): string
    {
        return match ($event->keys['timer']) {
            'start_delay' => 'the utility is lost; a blink is to pass without a start.',
            'transfer_delay' => ($event->why['for'] ?? '') === 'test' ? 'the generator is good and the test wants it to carry the load.' : 'the generator is good; it is to warm up and settle first.',
            'return_delay' => 'the utility is good again and has to prove that it stays.',
            default => ($event->why['min_run'] ?? false) === true ? 'nobody needs the engine; the minimum run is longer than the cool-down.' : 'nobody needs the engine; it cools down unloaded.',
        };
    }

    private function timerCancelled(Event $event): string
    {
        return match ($event->why['cut'] ?? '') {
            'normal_returned' => 'the utility came back in time: no start.',
            'normal_lost' => 'the utility was lost again. A cut timer keeps nothing.',
            'emergency_lost' => 'the generator is not good any more.',
            'selector' => 'the selector was turned off.',
            'test' => 'a test needs the engine again.',
            'engine_gone' => 'the engine is not running any more.',
            default => 'there is no reason left to transfer.',
        };
    }

    /** @param array<string, mixed> $why */
    private function latch(array $why): string
    {
        [$name, $phase] = explode('.', $this->text($why['latch'] ?? '')) + [1 => '0'];
        $value = $this->read($why, 'volts')[(int) $phase] ?? 0;

        return match ($name) {
            'under_voltage' => sprintf('%s V is under drop-out', $this->figure($value)),
            'over_voltage' => sprintf('%s V is over drop-out', $this->figure($value)),
            'under_frequency', 'over_frequency' => sprintf('%s Hz is out of its band', $this->figure($this->read($why, 'hertz')[0] ?? 0)),
            'unbalance' => 'the phases are too far apart (' . $this->volts($why) . ')',
            'rotation' => 'the phases come in the wrong order',
            default => 'it is back, and was counted lost',
        };
    }

    /** @param array<string, mixed> $why */
    private function volts(array $why): string
    {
        return implode(' / ', array_unique(array_map($this->figure(...), $this->read($why, 'volts')))) . ' V';
    }

    /**
     * A reading of the signal, back from its own unit.
     *
     * @param array<string, mixed> $why
     *
     * @return list<float>
     */
    private function read(array $why, string $what): array
    {
        $unit = $why["{$what}_unit"] ?? 1;
        $values = [];
        foreach (is_array($why[$what] ?? null) ? $why[$what] : [$why[$what] ?? 0] as $value) {
            $values[] = (is_int($value) || is_float($value)) && is_numeric($unit) ? $value / (float) $unit : 0.0;
        }

        return $values;
    }

    /** @param array<string, mixed> $keys */
    private function source(array $keys): string
    {
        return ucfirst($this->side($keys['source']));
    }

    private function side(mixed $side): string
    {
        return $side === 'normal' ? 'utility' : 'generator';
    }

    /** @param array<string, mixed> $keys */
    private function timer(array $keys): string
    {
        return self::TIMERS[$this->text($keys['timer'])] ?? 'timer';
    }

    private function seconds(mixed $ms): string
    {
        $seconds = (float) ($this->int($ms) / 1000);

        return $this->figure(round($seconds, 1) === $seconds ? sprintf('%.1f', $seconds) : sprintf('%.3f', $seconds)) . ' s';
    }

    private function figure(mixed $value): string
    {
        return is_float($value) ? (string) round($value, 2) : $this->text($value);
    }

    private function int(mixed $value): int
    {
        return is_int($value) ? $value : 0;
    }

    private function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
