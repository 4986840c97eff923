<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/** What on a bench is neither switch nor set: elements of the bank, transformers of the meter, door, charger, breaker, loads. */
final class BenchPanel
{
    public bool $isBreakerClosed = true;
    public bool $isDoorOpen = false;
    public bool $isChargerOn = true;
    public bool $isHandStarted = false;
    /** @var array<int, bool> by element */
    public array $elements = [];
    /** @var array<int, bool> by phase, from 1 */
    public array $reversed = [];
    /** @var array<string, float> kW by load, as the simulation has them */
    public array $kw = [];
    public ?int $fuelBlockedMs = null;

    public function take(BenchAct $act): void
    {
        $keys = $act->keys;
        match ($act->do) {
            'bank' => $this->elements[is_int($keys['element']) ? $keys['element'] : 0] = $keys['on'] === true,
            'ct' => $this->reversed[is_int($keys['phase']) ? $keys['phase'] : 1] = $keys['reversed'] === true,
            'door' => $this->isDoorOpen = $keys['open'] === true,
            'hand_start', 'hand_stop' => $this->isHandStarted = $act->do === 'hand_start',
            'charger' => $this->isChargerOn = $keys['on'] === true,
            'generator_breaker' => $this->isBreakerClosed = $keys['closed'] === true,
            'fuel' => $this->fuelBlockedMs = $keys['blocked'] === true ? $this->fuelBlockedMs ?? $act->atMs : null,
            default => null,
        };
        foreach ($act->acts as $event) {
            if ($event instanceof ScenarioEvent && $event->do === Verb::SetLoad) {
                $this->kw[$event->load] = (float) $event->kw;
            }
        }
    }
}
