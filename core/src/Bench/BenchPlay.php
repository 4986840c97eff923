<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\Event\HandleRefused;
use Escapement\Core\Simulation\Simulation;
use Escapement\Core\Simulation\SourceNames;

/** Plays a bench: what the switch does is the simulation, nothing else; what meters show is added. Rule: docs/rules.md#bench-play. */
final class BenchPlay
{
    private const SEVERE_DIP = 0.25;

    private readonly BenchMotion $motion;

    public function __construct(private readonly BenchInput $in)
    {
        $this->motion = new BenchMotion($in);
    }

    public function play(): CalculationResult
    {
        $acts = $this->in->script->acts;
        $samples = $scenario = [];
        $next = $sample = 0;
        do {
            $t = min(
                $this->motion->nextMs(),
                $acts[$next]->atMs ?? PHP_INT_MAX,
                $this->in->sampleAtMs[$sample] ?? PHP_INT_MAX,
                $this->in->untilMs,
            );
            $now = [];
            while (isset($acts[$next]) && $acts[$next]->atMs === $t) {
                $now[] = $acts[$next];
                array_push($scenario, ...$acts[$next]->scenario);
                $next++;
            }
            $trip = $this->motion->at($t, $now);
            if ($trip !== null) {
                $scenario[] = $trip->toArray();
            }
            if ($t === ($this->in->sampleAtMs[$sample] ?? null)) {
                $samples[] = $this->motion->sample($t);
                $sample++;
            }
        } while ($t < $this->in->untilMs);

        return $this->result($samples, $scenario);
    }

    /** @return list<Event> what happened while it was played, in order */
    public function happened(): array
    {
        return $this->motion->events;
    }

    /**
     * @param list<array<string, mixed>> $samples
     * @param list<array<string, mixed>> $scenario
     */
    private function result(array $samples, array $scenario): CalculationResult
    {
        $dip = $this->motion->generator->worstDip ?? 0.0;
        $findings = new Findings();
        foreach (array_keys(array_filter([
            'handle-under-voltage' => $this->motion->simulation->handledUnderVoltage,
            'overload' => $this->motion->isOverloaded,
            'dip-severe' => Tolerance::exceeds($dip, self::SEVERE_DIP),
            'panel-main-is-no-test' => $this->in->script->isNoTest(),
            'left-not-in-auto' => ! $this->motion->simulation->state()->isAuto,
            'breaker-left-open' => ! $this->motion->panel->isBreakerClosed,
            'locked-out' => $this->motion->state->engine === EngineState::LockedOut->value,
            'ct-left-reversed' => in_array(true, $this->motion->panel->reversed, true),
            'fuel-starved' => $this->motion->isStarved,
            'handle-refused' => array_filter($this->motion->events, static fn(Event $one): bool => $one instanceof HandleRefused) !== [],
        ])) as $id) {
            $findings->raise("bench-play/$id");
        }
        $working = new Working();
        if ($this->motion->generator !== null) {
            $working->add('Deepest dip of one step', 'kVA that comes on / (the same + rated kVA / x), in percent', 100 * $dip, '%');
        }

        return new CalculationResult([
            'events' => $this->told(), 'metrics' => $this->motion->simulation->state()->metrics($this->in->untilMs)->toArray(),
            'final' => $this->motion->state->toArray(), 'samples' => $samples, 'scenario' => $scenario, 'pure' => $this->in->script->isPure,
        ], $findings->worstFirst(), $working->lines);
    }

    /** @return list<array<string, mixed>> by time, kind and keys */
    private function told(): array
    {
        $names = SourceNames::of($this->in->plant);
        $rows = array_map(static fn(Event $event): array => [
            [$event->tMs, $event->kind()->value, implode('|', array_map(
                static fn(mixed $key): string => is_scalar($key) && ! is_string($key) ? (string) json_encode($key)
                    : (is_string($key) ? $key : ''),
                $event->keys(),
            ))],
            ['t_ms' => $event->tMs, 'kind' => $event->kind()->value] + $event->keys() + ['because' => $event->because($names)],
        ], $this->motion->events);
        usort($rows, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($rows, 1);
    }
}
