<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Season;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Event\SwitchClosed;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\EventSink;

/** Counts per disturbance what one candidate made of it, without keeping the events. Rule: docs/rules.md#season. */
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
        if ($event->kind() !== EventKind::EngineFired && $event->kind() !== EventKind::SwitchClosed) {
            return;
        }
        while (isset($this->startsMs[$this->window + 1]) && $this->startsMs[$this->window + 1] <= $event->tMs) {
            $this->window++;
        }
        if ($this->window < 0) {
            return;
        }
        if (! $event instanceof SwitchClosed) {
            $this->starts[$this->window]++;
        } elseif ($event->to === Side::Emergency) {
            $this->toEmergency[$this->window]++;
        } else {
            $this->toNormal[$this->window]++;
        }
    }

    /**
     * The outcome of each window as one packed text of four numbers: a season's worth of arrays would not fit the memory.
     *
     * @param list<int> $outagesMs of the whole run, dark and live in turn
     *
     * @return list<string> to be read by outcome()
     */
    public function outcomes(array $outagesMs): array
    {
        $outcomes = [];
        $next = 0;
        foreach ($this->startsMs as $i => $fromMs) {
            $toMs = $this->startsMs[$i + 1] ?? $this->untilMs;
            while (isset($outagesMs[$next + 1]) && $outagesMs[$next + 1] <= $fromMs) {
                $next += 2;
            }
            $darkMs = 0;
            for ($k = $next; isset($outagesMs[$k + 1]) && $outagesMs[$k] < $toMs; $k += 2) {
                $darkMs += max(0, min($toMs, $outagesMs[$k + 1]) - max($fromMs, $outagesMs[$k]));
            }
            $outcomes[] = pack('VVVP', $this->starts[$i], $this->toEmergency[$i], $this->toNormal[$i], $darkMs);
        }

        return $outcomes;
    }

    /** @return array{engine_starts: int, transfers_to_emergency: int, transfers_to_normal: int, bus_dead_ms: int} */
    public static function outcome(string $packed): array
    {
        /** @var array{engine_starts: int, transfers_to_emergency: int, transfers_to_normal: int, bus_dead_ms: int} $outcome */
        $outcome = unpack('Vengine_starts/Vtransfers_to_emergency/Vtransfers_to_normal/Pbus_dead_ms', $packed);

        return $outcome;
    }
}
