<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Severity;
use Escapement\Core\Internal\Slack;
use Escapement\Core\Settings\SheetWords;

/**
 * Where in a rehearsal the second source carries more than it gives. The timing rules know no rating, so the run goes on as if
 * it held: the real one would stall or trip. Rule: field notes S1, R1; settings §1 no-shedding-overload.
 */
final readonly class Overload
{
    /** @var list<OverloadSpan> in order */
    public array $spans;

    /** @param float $sourceKw what the source gives */
    public function __construct(Scenario $scenario, RehearsalResult $result, public float $sourceKw)
    {
        $this->spans = self::spans(self::course($scenario, $result->events), $sourceKw, $scenario->untilMs);
    }

    public function finding(): ?Finding
    {
        $first = $this->spans[0] ?? null;
        if ($first === null) {
            return null;
        }
        $mostKw = max(0.0, ...array_map(static fn(OverloadSpan $span): float => $span->mostKw, $this->spans));
        $for = array_sum(array_map(static fn(OverloadSpan $span): int => $span->toMs - $span->fromMs, $this->spans));

        return new Finding(
            'source-overloaded',
            Severity::Stop,
            sprintf(
                '%s kW on a source that gives %s kW, from %s, for %s.',
                self::kw($mostKw),
                self::kw($this->sourceKw),
                SheetWords::clock($first->fromMs),
                SheetWords::seconds($for),
            ),
            'The rehearsal goes on as if it held. A real source stalls or trips, and the load stays dark. Shed loads, move circuits, or take a larger source.',
        );
    }

    /**
     * What the second source carries from each moment on.
     *
     * @param list<Event> $events
     *
     * @return array<int, float> kW by ms; 0 while it carries nothing
     */
    private static function course(Scenario $scenario, array $events): array
    {
        $kw = $shed = [];
        foreach ($scenario->loads as $load) {
            $kw[$load->id] = (float) $load->kw;
        }
        $isOnIt = $scenario->initial->value === 'emergency';
        $isLive = true;
        $course = [0 => $isOnIt ? array_sum($kw) : 0.0];
        $changes = [
            ...array_map(static fn(Event $event): array => [$event->tMs, 1, $event], $events),
            ...array_map(
                static fn(ScenarioEvent $event): array => [$event->atMs, 0, $event],
                array_filter($scenario->events, static fn(ScenarioEvent $event): bool => $event->do === Verb::SetLoad),
            ),
        ];
        usort($changes, static fn(array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        foreach ($changes as [$atMs, , $change]) {
            if ($change instanceof ScenarioEvent) {
                $kw[(string) $change->load] = (float) $change->kw;
            } else {
                match ($change->kind) {
                    'switch_closed' => $isOnIt = $change->keys['to'] === 'emergency',
                    'switch_opened' => $isOnIt = false,
                    'bus_dead' => $isLive = false,
                    'bus_live' => $isLive = true,
                    default => null,
                };
                $load = is_string($change->keys['load'] ?? null) ? $change->keys['load'] : '';
                if ($change->kind === 'load_shed') {
                    $shed[$load] = true;
                } elseif ($change->kind === 'load_restored') {
                    unset($shed[$load]);
                }
            }
            $course[$atMs] = $isOnIt && $isLive ? array_sum(array_diff_key($kw, $shed)) : 0.0;
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
            if (Slack::exceeds($kw, $sourceKw)) {
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
