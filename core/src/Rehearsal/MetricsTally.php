<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Site\Side;

/** Counts what a rehearsal cost, from the events alone. Rule: timing §8. */
final class MetricsTally implements EventSink
{
    private int $transfersToEmergency = 0;
    private int $transfersToNormal = 0;
    private int $engineStarts = 0;
    private int $engineRunMs = 0;
    private int $engineLoadedMs = 0;
    private int $nuisanceStarts = 0;
    private int $sagsRidden = 0;
    private int $startsAvoided = 0;
    private int $returnResets = 0;
    /** @var list<int> dark and live again, in turn */
    private array $outagesMs = [];
    private ?int $darkSinceMs;
    private ?int $firedAtMs;
    private ?int $loadedSinceMs;
    /** Firings since a start delay closed the contact; null while none of that kind is closed or the load was taken. */
    private ?int $firingsUnused = null;

    public function __construct(Side $initial, bool $hasEngine, bool $isBusLive)
    {
        $this->darkSinceMs = $isBusLive ? null : 0;
        $this->firedAtMs = $hasEngine && $initial === Side::Emergency ? 0 : null;
        $this->loadedSinceMs = $initial === Side::Emergency ? 0 : null;
    }

    public function take(Event $event): void
    {
        switch ($event->kind) {
            case 'switch_closed':
                $this->closed($event);
                break;
            case 'switch_opened':
                if ($event->keys['from'] === 'emergency') {
                    $this->addLoaded($event->tMs);
                    $this->loadedSinceMs = null;
                }
                break;
            case 'engine_fired':
                $this->engineStarts++;
                $this->firedAtMs = $event->tMs;
                if ($this->firingsUnused !== null) {
                    $this->firingsUnused++;
                }
                break;
            case 'engine_stopped':
            case 'engine_locked_out':
                $this->endRun($event->tMs);
                break;
            case 'start_contact_closed':
                $this->firingsUnused = $event->why['for'] === 'start_delay' ? 0 : null;
                break;
            case 'start_contact_opened':
                if ($event->why['n'] === true) {
                    $this->nuisanceStarts += $this->firingsUnused ?? 0;
                }
                $this->firingsUnused = null;
                break;
            case 'timer_cancelled':
                $this->cancelled($event);
                break;
            case 'sag_ridden':
                $this->sagsRidden += $event->keys['source'] === 'normal' ? 1 : 0;
                break;
            case 'bus_dead':
                $this->darkSinceMs = $event->tMs;
                break;
            case 'bus_live':
                $this->outagesMs[] = (int) $this->darkSinceMs;
                $this->outagesMs[] = $event->tMs;
                $this->darkSinceMs = null;
                break;
        }
    }

    /** To be asked once, after the last event. */
    public function close(int $untilMs): Metrics
    {
        $this->endRun($untilMs);
        if ($this->darkSinceMs !== null) {
            array_push($this->outagesMs, $this->darkSinceMs, $untilMs);
        }
        $busDeadMs = 0;
        foreach ($this->outagesMs as $i => $ms) {
            $busDeadMs += $i % 2 === 0 ? -$ms : $ms;
        }

        return new Metrics(
            $busDeadMs,
            $this->outagesMs,
            $this->transfersToEmergency,
            $this->transfersToNormal,
            $this->engineStarts,
            $this->engineRunMs,
            $this->engineLoadedMs,
            $this->nuisanceStarts,
            $this->sagsRidden,
            $this->startsAvoided,
            $this->returnResets,
        );
    }

    private function closed(Event $event): void
    {
        if ($event->keys['to'] === 'emergency') {
            $this->transfersToEmergency++;
            $this->loadedSinceMs = $event->tMs;
            $this->firingsUnused = null;
        } else {
            $this->transfersToNormal++;
        }
    }

    private function cancelled(Event $event): void
    {
        if ($event->keys['timer'] === 'start_delay' && $event->why['n'] === true) {
            $this->startsAvoided++;
        }
        if ($event->keys['timer'] === 'return_delay' && $event->why['n'] === false) {
            $this->returnResets++;
        }
    }

    private function endRun(int $t): void
    {
        if ($this->firedAtMs !== null) {
            $this->addLoaded($t);
            $this->engineRunMs += $t - $this->firedAtMs;
            $this->firedAtMs = null;
        }
    }

    private function addLoaded(int $t): void
    {
        if ($this->firedAtMs !== null && $this->loadedSinceMs !== null) {
            $this->engineLoadedMs += $t - max($this->firedAtMs, $this->loadedSinceMs);
        }
    }
}
