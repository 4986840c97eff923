<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\Event\LoadRestored;
use Escapement\Core\Simulation\Event\LoadShed;
use Escapement\Core\Simulation\Event\SwitchClosed;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/**
 * When each load is back after a plain outage, by the same controller that the rehearsal plays: plan, rehearsal and the owner's
 * page give one time for it. Rule: docs/rules.md#rehearsal.
 */
final readonly class RestartTimes
{
    private const SPARE_MS = 120_000;

    /** @var array<string, ?int> ms after the transfer by load: 0 from the first moment, null: it does not come back on this source */
    public array $backMs;
    /** What the source carries when the last one is back. */
    public float $finalKw;

    /** @param list<Load> $loads */
    public function __construct(Plant $plant, Settings $settings, array $loads)
    {
        $dark = new ScenarioEvent(0, Verb::SetSource, Side::Normal, array_fill(0, $plant->normal->phases, 0));
        $script = $plant->kind === PlantKind::Mobile ? [$dark, new ScenarioEvent(0, Verb::StartGenerator)] : [$dark];
        $events = Rehearsal::play(new Scenario(
            $plant,
            $settings->withExercise(null),
            $script,
            self::untilMs($plant, $settings, count($loads)),
            $loads,
        ))->events;
        $closedAtMs = null;
        $back = array_fill_keys(array_map(static fn(Load $load): string => $load->id, $loads), 0);
        foreach ($events as $event) {
            if ($event instanceof SwitchClosed && $event->to === Side::Emergency) {
                $closedAtMs = $event->tMs;
            } elseif ($event instanceof LoadShed) {
                $back[$event->load] = null;
            } elseif ($event instanceof LoadRestored && $closedAtMs !== null) {
                $back[$event->load] = $event->tMs - $closedAtMs;
            }
        }
        $this->backMs = $closedAtMs === null ? array_fill_keys(array_keys($back), null) : $back;
        $this->finalKw = array_sum(array_map(fn(Load $load): float => $this->backMs[$load->id] === null ? 0.0 : (float) $load->kw, $loads));
    }

    /** Long enough for every lock-out to end and every load to have had its step. */
    private static function untilMs(Plant $plant, Settings $settings, int $loads): int
    {
        $shed = $settings->loadShed;

        return SettlingTime::ms($plant, $settings) + ($shed === null ? 0
            : $shed->firstStepMs + 2 * $shed->lockoutMs + (2 + $loads) * $shed->stepMs + $shed->overloadMs) + self::SPARE_MS;
    }
}
