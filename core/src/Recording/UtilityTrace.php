<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/** The utility of a scenario as measurements: a value at each change, and one a cycle while it is on its way. */
final readonly class UtilityTrace
{
    /** @param list<ScenarioEvent> $events */
    public function __construct(private Source $source, private array $events, private int $untilMs) {}

    public function series(): Series
    {
        $series = new Series($this->source->phases);
        $cycleMs = (int) round(1000 / $this->source->nominalHz);
        $v = array_fill(0, max(1, $this->source->phases), (float) $this->source->nominalV);
        $hz = (float) $this->source->nominalHz;
        $series->add(0, $v, $hz);
        /** @var array<string, array{fromMs: int, overMs: int, from: list<float>, to: list<float>}> $moving what is on its way: v, hz */
        $moving = [];
        $t = 0;
        foreach ([...$this->ofUtility(), null] as $event) {
            $endMs = min($event->atMs ?? $this->untilMs, $this->untilMs);
            for (; $moving !== [] && $t < $endMs; $t = min($endMs, $t + $cycleMs)) {
                [$v, $hz] = self::along($moving, $t, $v, $hz);
                $series->add($t, $v, $hz);
                $moving = array_filter($moving, static fn(array $ramp): bool => $t < $ramp['fromMs'] + $ramp['overMs']);
            }
            if ($event === null || $event->atMs > $this->untilMs) {
                break;
            }
            $t = $event->atMs;
            [$v, $hz] = self::along($moving, $t, $v, $hz);
            foreach (['v' => $event->v, 'hz' => $event->hz === null ? null : [$event->hz]] as $what => $to) {
                if ($to === null) {
                    continue;
                }
                $to = array_map(floatval(...), array_values($to));
                unset($moving[$what]);
                if ($event->do === Verb::RampSource) {
                    $moving[$what] = ['fromMs' => $t, 'overMs' => $event->overMs, 'from' => $what === 'v' ? $v : [$hz], 'to' => $to];
                } elseif ($what === 'v') {
                    $v = $to;
                } else {
                    $hz = $to[0];
                }
            }
            $series->add($t, $v, $hz);
        }
        $series->untilMs = $this->untilMs;

        return $series;
    }

    /** @return list<ScenarioEvent> */
    private function ofUtility(): array
    {
        return array_values(array_filter($this->events, static fn(ScenarioEvent $event): bool => $event->source === Side::Normal));
    }

    /**
     * @param array<string, array{fromMs: int, overMs: int, from: list<float>, to: list<float>}> $moving
     * @param list<float>                                                                        $v
     *
     * @return array{list<float>, float}
     */
    private static function along(array $moving, int $t, array $v, float $hz): array
    {
        foreach ($moving as $what => $ramp) {
            $part = min(1.0, ($t - $ramp['fromMs']) / max(1, $ramp['overMs']));
            $now = array_map(static fn(float $from, float $to): float => $from + ($to - $from) * $part, $ramp['from'], $ramp['to']);
            if ($what === 'v') {
                $v = $now;
            } else {
                $hz = $now[0];
            }
        }

        return [$v, $hz];
    }
}
