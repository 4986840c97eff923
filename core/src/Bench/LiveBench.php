<?php

declare(strict_types=1);

namespace Escapement\Core\Bench;

use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\SourceNames;

/**
 * A bench that goes on while hands act on it. Played again from its script it gives the same to the last byte: what several hands do
 * in one millisecond acts together, as in a script. It has no clock: somebody says how late it is. Rule: docs/rules.md#bench-live.
 */
final class LiveBench
{
    /** Lines of the log that are kept. */
    public const RING = 4096;

    public BenchMotion $motion;
    /** @var list<LogLine> */
    private array $log = [];
    private int $nowMs = 0;
    /** What was logged of a millisecond: it is not said twice when the millisecond is played again. */
    private int $saidMs = -1;
    /** @var array<string, true> */
    private array $said = [];

    /** @param int $lastSeq of what was logged before this bench began */
    public function __construct(private readonly BenchInput $in, private int $lastSeq = 0, private readonly int $baseMs = 0)
    {
        $this->motion = new BenchMotion($in);
        $this->motion->at(0, []);
        $this->tell();
    }

    public function nowMs(): int
    {
        return $this->nowMs;
    }

    /** Plays on; a time that is over does nothing. */
    public function advanceTo(int $tMs): void
    {
        if ($tMs > $this->nowMs) {
            $this->playTo($tMs, []);
            $this->tell();
        }
    }

    /**
     * What a hand does, now or later than now.
     *
     * @param array<string, mixed> $keys  as they were read
     * @param ?ScenarioEvent       $event where it is an event as it stands
     * @param array<string, mixed> $wire  the same on the wire
     */
    public function act(int $atMs, string $do, array $keys, ?ScenarioEvent $event = null, array $wire = []): void
    {
        $isNow = $atMs <= $this->nowMs;
        $this->in->script->add($atMs, $do, $keys, $event, $wire);
        $acts = $this->in->script->acts;
        if ($isNow) {
            $this->playAgain();
        } else {
            $this->playTo($atMs, [$acts[count($acts) - 1]]);
        }
        $this->append($atMs, 'input', ['do' => $do] + self::told($keys), '');
        $this->tell();
    }

    /** @return array<string, mixed> what lamps and meters show now, by the keys of `bench_play`, by the clock of the device */
    public function sample(): array
    {
        return ['t_ms' => $this->baseMs + $this->nowMs] + $this->motion->sample($this->nowMs);
    }

    /** Where the hands left the knobs and levers. */
    public function script(): BenchScript
    {
        return $this->in->script;
    }

    public function lastSeq(): int
    {
        return $this->lastSeq;
    }

    /** @return list<LogLine> that are kept, from a number on */
    public function log(int $fromSeq = 0, int $limit = PHP_INT_MAX): array
    {
        return array_slice(array_values(array_filter(
            $this->log,
            static fn(LogLine $line): bool => $line->seq >= $fromSeq,
        )), 0, $limit);
    }

    /** Nothing moves, nothing turns and nothing is timed: settings may be changed. */
    public function isAtRest(): bool
    {
        $sample = $this->motion->sample($this->nowMs);

        return $sample['position'] === 'normal' && $sample['moving'] === false && $sample['test'] === 'none' && $sample['timers'] === []
            && in_array($sample['engine'], [null, 'stopped'], true);
    }

    /** @param list<BenchAct> $acts all of that millisecond */
    private function playTo(int $tMs, array $acts): void
    {
        while (($next = $this->motion->nextMs()) < $tMs) {
            $this->motion->at($next, []);
        }
        $this->motion->at($tMs, $acts);
        $this->nowMs = $tMs;
    }

    /** The whole script once more: a second hand in the same millisecond acts with the first. */
    private function playAgain(): void
    {
        $now = $this->nowMs;
        $this->motion = new BenchMotion($this->in);
        $byMs = [0 => []];
        foreach ($this->in->script->acts as $act) {
            $byMs[$act->atMs][] = $act;
        }
        foreach ($byMs as $atMs => $acts) {
            $this->playTo($atMs, $acts);
        }
        if ($this->nowMs < $now) {
            $this->playTo($now, []);
        }
        $this->motion->events = array_values(array_filter(
            $this->motion->events,
            static fn(Event $event): bool => $event->tMs >= $now,
        ));
    }

    /** Takes what has happened into the log. */
    private function tell(): void
    {
        $names = SourceNames::of($this->in->plant);
        foreach ($this->motion->events as $event) {
            $keys = $event->keys();
            $this->append($event->tMs, $event->kind()->value, $keys, $event->because($names));
        }
        $this->motion->events = [];
    }

    /** @param array<string, mixed> $keys */
    private function append(int $tMs, string $kind, array $keys, string $because): void
    {
        if ($this->saidMs !== $tMs) {
            $this->saidMs = $tMs;
            $this->said = [];
        }
        $print = $kind . json_encode($keys, JSON_THROW_ON_ERROR);
        if ($kind !== 'input' && isset($this->said[$print])) {
            return;
        }
        $this->said[$print] = true;
        $this->log[] = new LogLine(++$this->lastSeq, $this->baseMs + $tMs, $kind, $keys, $because);
        if (count($this->log) > 2 * self::RING) {
            $this->log = array_slice($this->log, -self::RING);
        }
    }

    /**
     * @param array<string, mixed> $keys
     *
     * @return array<string, mixed> without what only the reader needs
     */
    private static function told(array $keys): array
    {
        return array_diff_key($keys, ['said' => 1]);
    }
}
