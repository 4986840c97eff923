<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Register;
use Escapement\Core\Input\Tolerance;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Simulation\Moment;
use Escapement\Core\Simulation\StateTimeline;
use Escapement\Core\Simulation\Verb;

/**
 * Where in a rehearsal the second source carries more than it gives. The timing rules know no rating, so the run goes on as if
 * it held: the real one would stall or trip. Rule: docs/rules.md#settings-delays.
 */
final readonly class Overload
{
    /** @var list<OverloadSpan> in order */
    public array $spans;

    /** @param float $sourceKw what the source gives */
    public function __construct(Scenario $scenario, RehearsalResult $result, public float $sourceKw)
    {
        $this->spans = self::spans(self::course($scenario, $result->timeline($scenario->untilMs)), $sourceKw, $scenario->untilMs);
    }

    public function finding(): ?Finding
    {
        $first = $this->spans[0] ?? null;
        if ($first === null) {
            return null;
        }
        $mostKw = max([0.0, ...array_map(static fn(OverloadSpan $span): float => $span->mostKw, $this->spans)]);
        $for = array_sum(array_map(static fn(OverloadSpan $span): int => $span->toMs - $span->fromMs, $this->spans));

        return Register::finding('source-overloaded', [
            'most_kw' => self::kw($mostKw),
            'source_kw' => self::kw($this->sourceKw),
            'from' => SheetWords::clock($first->fromMs),
            'for' => SheetWords::seconds($for),
        ]);
    }

    /**
     * What the second source carries from each moment on.
     *
     * @return array<int, float> kW by ms; 0 while it carries nothing
     */
    private static function course(Scenario $scenario, StateTimeline $timeline): array
    {
        $kw = [];
        foreach ($scenario->loads as $load) {
            $kw[$load->id] = (float) $load->kw;
        }
        $changed = [];
        foreach ($scenario->events as $event) {
            if ($event->do === Verb::SetLoad) {
                $changed[$event->atMs][$event->load] = (float) $event->kw;
            }
        }
        $times = array_unique([
            0,
            ...array_keys($changed),
            ...array_map(static fn(Moment $moment): int => $moment->tMs, $timeline->moments),
        ]);
        sort($times);
        $course = [];
        foreach ($times as $atMs) {
            $kw = ($changed[$atMs] ?? []) + $kw;
            $state = $timeline->at($atMs);
            $course[$atMs] = $state->feed() === Side::Emergency->value ? array_sum(array_diff_key($kw, $state->shed)) : 0.0;
        }

        return $course;
    }

    /**
     * @param array<int, float> $course
     *
     * @return list<OverloadSpan>
     */
    private static function spans(array $course, float $sourceKw, int $untilMs): array
    {
        $spans = [];
        $fromMs = null;
        $mostKw = 0.0;
        foreach ($course + [$untilMs => 0.0] as $atMs => $kw) {
            if (Tolerance::exceeds($kw, $sourceKw)) {
                $fromMs ??= $atMs;
                $mostKw = max($mostKw, $kw);
                continue;
            }
            if ($fromMs !== null && $atMs > $fromMs) {
                $spans[] = new OverloadSpan($fromMs, $atMs, $mostKw);
            }
            $fromMs = null;
            $mostKw = 0.0;
        }
        if ($fromMs !== null && $untilMs > $fromMs) {
            $spans[] = new OverloadSpan($fromMs, $untilMs, $mostKw);
        }

        return $spans;
    }

    private static function kw(float $kw): string
    {
        return (string) round($kw, 1);
    }
}
