<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal;

use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\StateTimeline;

/** A rehearsal that has been played, ready to be shown: its story up to a little after the last thing that happens. */
final readonly class Playback
{
    private const SHOWN_AFTER_MS = 9000;

    public RehearsalResult $result;
    /** Where the picture ends; the run itself may go on with nothing happening. */
    public int $untilMs;
    public StateTimeline $timeline;
    /** @var list<int> times at which something happens or is done */
    public array $momentsMs;
    public VoltageTrace $normal;
    public VoltageTrace $emergency;
    /** Null where what the source gives is not known. */
    public ?Overload $overload;

    public function __construct(public Scenario $scenario)
    {
        $this->result = Rehearsal::play($scenario);
        $events = array_map(static fn(Event $event): int => $event->tMs, $this->result->events);
        $script = array_map(static fn(ScenarioEvent $event): int => $event->atMs, $scenario->events);
        $within = array_filter($script, static fn(int $ms): bool => $ms <= $scenario->untilMs);
        $this->momentsMs = array_values(array_unique([...$events, ...$within]));
        $this->untilMs = min($scenario->untilMs, max([0, ...$events, ...$script]) + self::SHOWN_AFTER_MS);
        $this->timeline = $this->result->timeline($this->untilMs);
        $this->normal = $this->trace(Side::Normal);
        $this->emergency = $this->trace(Side::Emergency);
        $this->overload = $scenario->sourceKw === null ? null : new Overload($scenario, $this->result, $scenario->sourceKw);
    }

    private function trace(Side $side): VoltageTrace
    {
        $scenario = $this->scenario;

        return new VoltageTrace(
            $scenario->plant,
            $scenario->settings,
            $side,
            $scenario->initial,
            $scenario->events,
            $this->result->events,
            $this->untilMs,
        );
    }
}
