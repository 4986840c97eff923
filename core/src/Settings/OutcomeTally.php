<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

use Escapement\Core\Rehearsal\Event;
use Escapement\Core\Rehearsal\EventSink;

/** Counts per disturbance what one candidate made of it, without keeping the events. Rule: settings §5. */
final class OutcomeTally implements EventSink
{
    /** @var array<int, int> */
    private array $starts;
    /** @var array<int, int> */
    private array $toEmergency;
    /** @var array<int, int> */
    private array $toNormal;
    private int $window = -1;

    /** @param list<int> $startsMs where each window begins; it ends where the next begins, the last one at $untilMs inclusive */
    public function __construct(private readonly array $startsMs, private readonly int $untilMs)
    {
        $this->starts = $this->toEmergency = $this->toNormal = array_fill(0, count($startsMs), 0);
    }

    public function take(Event $event): void
    {
        if ($event->kind !== 'engine_fired' && $event->kind !== 'switch_closed') {
            return;
        }
        while (isset($this->startsMs[$this->window + 1]) && $this->startsMs[$this->window + 1] <= $event->tMs) {
            $this->window++;
        }
        if ($this->window < 0) {
            return;
        }
        if ($event->kind === 'engine_fired') {
            $this->starts[$this->window]++;
        } elseif ($event->keys['to'] === 'emergency') {
            $this->toEmergency[$this->window]++;
        } else {
            $this->toNormal[$this->window]++;
        }
    }

    /**
     * @param list<array{from_ms: int, to_ms: int}> $outages of the whole run
     *
     * @return list<array{engine_starts: int, transfers_to_emergency: int, transfers_to_normal: int, bus_dead_ms: int}>
     */
    public function outcomes(array $outages): array
    {
        $outcomes = [];
        $next = 0;
        foreach ($this->startsMs as $i => $fromMs) {
            $toMs = $this->startsMs[$i + 1] ?? $this->untilMs;
            while (isset($outages[$next]) && $outages[$next]['to_ms'] <= $fromMs) {
                $next++;
            }
            $darkMs = 0;
            for ($k = $next; isset($outages[$k]) && $outages[$k]['from_ms'] < $toMs; $k++) {
                $darkMs += max(0, min($toMs, $outages[$k]['to_ms']) - max($fromMs, $outages[$k]['from_ms']));
            }
            $outcomes[] = [
                'engine_starts' => $this->starts[$i],
                'transfers_to_emergency' => $this->toEmergency[$i],
                'transfers_to_normal' => $this->toNormal[$i],
                'bus_dead_ms' => $darkMs,
            ];
        }

        return $outcomes;
    }
}
