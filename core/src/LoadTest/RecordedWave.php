<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Recording\Series;

/**
 * A recording whose values hold until the next one, as samples: around each step where the steps are known, else all of it. Hertz that
 * were not recorded are taken as nominal, and a step is then judged by its volts. Rule: docs/rules.md#step-transients.
 */
final readonly class RecordedWave
{
    /** Before and after a step, what can be asked of it. */
    private const BEFORE_MS = 3_000;
    private const AFTER_MS = 20_000;
    private const EVERY_MS = 20;

    /**
     * @param ?Series         $kw    power as a series of one figure
     * @param list<GivenStep> $steps that are known; none: the whole recording is kept
     */
    public function __construct(private Series $volts, private ?Series $kw, private float $nominalHz, private array $steps) {}

    public function wave(): Waveform
    {
        $times = $this->times();
        $volts = array_fill(0, count($this->volts->v), []);
        $hertz = [];
        $kw = $this->kw === null ? null : [];
        $at = $kwAt = 0;
        $hz = $this->nominalHz;
        foreach ($times as $t) {
            while (isset($this->volts->atMs[$at + 1]) && $this->volts->atMs[$at + 1] <= $t) {
                $at++;
            }
            foreach (array_keys($volts) as $phase) {
                $volts[$phase][] = $this->volts->v[$phase][$at];
            }
            $hz = $this->volts->hz[$at] ?? $hz;
            $hertz[] = $hz;
            if ($this->kw !== null && $kw !== null) {
                while (isset($this->kw->atMs[$kwAt + 1]) && $this->kw->atMs[$kwAt + 1] <= $t) {
                    $kwAt++;
                }
                $kw[] = $this->kw->v[0][$kwAt];
            }
        }

        return new Waveform(array_map(floatval(...), $times), array_values($volts), $hertz, $kw);
    }

    public function hasHertz(): bool
    {
        return array_filter($this->volts->hz, static fn(?float $hz): bool => $hz !== null) !== [];
    }

    /** @return list<int> ms, rising: each change of a value, and a sample every so often where nothing changes */
    private function times(): array
    {
        $times = [];
        foreach ([$this->volts, $this->kw] as $series) {
            foreach ($series->atMs ?? [] as $t) {
                if ($this->isAsked($t)) {
                    $times[$t] = true;
                }
            }
        }
        foreach ($this->stretches() as [$from, $to]) {
            for ($t = $from; $t <= $to; $t += self::EVERY_MS) {
                $times[$t] = true;
            }
        }
        ksort($times);

        return array_keys($times);
    }

    private function isAsked(int $t): bool
    {
        foreach ($this->stretches() as [$from, $to]) {
            if ($t >= $from && $t <= $to) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{int, int}> ms */
    private function stretches(): array
    {
        if ($this->steps === []) {
            return [[0, $this->volts->untilMs]];
        }

        return array_map(fn(GivenStep $step): array => [
            max(0, (int) round($step->tMs) - self::BEFORE_MS), min($this->volts->untilMs, (int) round($step->tMs) + self::AFTER_MS),
        ], $this->steps);
    }
}
