<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Drawing\TimeScale;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\Playback;
use Escapement\Core\Rehearsal\VoltageTrace;
use Escapement\Core\Simulation\Controller\TimerName;
use Escapement\Core\Simulation\Lane;
use Escapement\Core\Simulation\Moment;
use Escapement\Core\Simulation\Span;
use Escapement\Core\Simulation\TimerSpan;

/** The timeline as the cursor's script looks it up: spans of every lane, nothing to be worked out there. */
final readonly class CursorData
{
    public function __construct(private Playback $playback, private TimeScale $scale) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $timeline = $this->playback->timeline;
        $lanes = [
            'n' => $timeline->spans(Lane::Normal),
            'engine' => $timeline->spans(Lane::Engine),
            'position' => $timeline->spans(Lane::Position),
            'bus' => $timeline->spans(Lane::Feed),
            'nLive' => $this->playback->normal->live,
            'eLive' => $this->playback->emergency->live,
        ];

        return [
            'segments' => array_map(
                static fn(array $s): array => [$s['fromMs'], $s['toMs'], round($s['fromX'], 1), round($s['toX'], 1)],
                $this->scale->segments,
            ),
            'moments' => array_map(static fn(Moment $moment): int => $moment->tMs, $timeline->moments),
            'lanes' => array_map(self::steps(...), $lanes),
            'loads' => array_map(fn(Load $load): array => self::steps($timeline->loadSpans($load->id)), $this->playback->scenario->loads),
            'timers' => $this->timers(),
            'volts' => ['n' => self::least($this->playback->normal), 'e' => self::least($this->playback->emergency)],
            'untilMs' => $this->playback->untilMs,
        ];
    }

    /**
     * @param list<Span> $spans
     *
     * @return list<array{int, string}> from when on, and what
     */
    private static function steps(array $spans): array
    {
        return array_map(static fn(Span $span): array => [$span->fromMs, str_replace('_', ' ', $span->state)], $spans);
    }

    /** @return list<array{int, int, string, int}> from, to, name, duration */
    private function timers(): array
    {
        $timers = [];
        foreach (TimerName::cases() as $timer) {
            array_push($timers, ...array_map(
                static fn(TimerSpan $span): array => [$span->fromMs, $span->toMs, $timer->label(), $span->durationMs],
                $this->playback->timeline->timerSpans($timer),
            ));
        }

        return $timers;
    }

    /** @return list<array{int, float}> the lowest phase at each corner */
    private static function least(VoltageTrace $trace): array
    {
        return array_map(static fn(array $corner): array => [$corner['atMs'], min([INF, ...$corner['v']])], $trace->corners);
    }
}
