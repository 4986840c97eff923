<?php

declare(strict_types=1);

namespace Escapement\Core\SettingsCheck;

use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventKind;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/**
 * What a stopwatch should read on this plant with this sheet, from a plain outage on the same engine. Rule: docs/rules.md#expected-windows.
 *
 * By the button it is a test with load instead, from the same engine: no drop-out, no start delay, the utility is there. Its
 * return has no least time, since many controllers end a test without the return delay; that delay is proved by the outage.
 */
final readonly class ExpectedTimes
{
    /** @var list<Window> those of the kind, in the order of the run */
    public array $windows;
    /** From the loss to the accepted generator: the window to use where nobody marked the start signal. */
    public Window $runningFromLoss;
    /** Length of return to use in the bait test, null where there is none to be had. */
    public ?int $baitMs;
    /** @var list<WorkingLine> */
    public array $working;

    public function __construct(private Plant $plant, private Settings $settings, private bool $isByButton = false)
    {
        $returnsAtMs = $this->returnsAtMs();
        $events = $this->rehearse($returnsAtMs);
        $kind = $plant->kind;
        $engine = $plant->engine;
        $more = $engine === null ? 0 : ($engine->crankAttempts - 1) * ($engine->crankLimitMs + $engine->crankRestMs);

        $contact = self::first($events, EventKind::StartContactClosed, 0);
        $accepted = self::first($events, EventKind::SourceReturned, 0, Side::Emergency->value);
        $closed = self::first($events, EventKind::SwitchClosed, 0, Side::Emergency->value);
        $dark = self::first($events, EventKind::BusDead, 0);
        $live = $dark === null ? null : self::first($events, EventKind::BusLive, $dark);
        $back = $closed === null ? null : self::first($events, EventKind::SwitchClosed, $returnsAtMs, Side::Normal->value);
        $stopped = $back === null ? null : self::first($events, EventKind::EngineStopped, $back);
        $signalAt = $kind === PlantKind::Mobile ? 0 : $contact;

        $off = $isByButton ? 'test_on' : 'utility_off';
        $on = $isByButton ? 'test_off' : 'utility_on';
        $start = Window::around('start_signal', $off, $contact);
        $running = Window::around('engine_running', 'start_signal', self::between($signalAt, $accepted), $more);
        $transfer = Window::around('transfer', $kind === PlantKind::Mobile ? 'start_signal' : $off, $closed, $more);
        $darkFor = Window::around('dark_ms', $off, $closed === null ? null : self::between($dark, $live), $more);
        $return = Window::around('return', $kind === PlantKind::Mobile ? 'engine_stopped' : $on, self::between($returnsAtMs, $back));
        $return = $isByButton && $return->nominalMs !== null ? new Window('return', $on, 0, $return->nominalMs, $return->maxMs) : $return;
        $stop = Window::around(
            'engine_stop',
            'retransferred',
            self::between($back, $stopped),
            ($engine->stopMs ?? 0) + max(0, $settings->minRunMs - (int) $settings->cooldownMs),
        );
        $this->windows = match ($kind) {
            PlantKind::Standby => [$start, $running, $transfer, $darkFor, $return, $stop],
            PlantKind::TwoSource => [$transfer, $darkFor, $return],
            PlantKind::Mobile => [$running, $transfer, $return],
        };
        $this->runningFromLoss = Window::around('engine_running', $off, $accepted, $more);
        $this->baitMs = $this->bait();
        $this->working = $this->show($contact, $accepted, $closed, $returnsAtMs, $back, $stopped, $more);
    }

    public function window(string $event): ?Window
    {
        foreach ($this->windows as $window) {
            if ($window->event === $event) {
                return $window;
            }
        }

        return null;
    }

    /** The window of an interval that this kind has. */
    public function of(string $event): Window
    {
        return $this->window($event) ?? throw new \LogicException("No window for $event.");
    }

    private function bait(): ?int
    {
        if ($this->plant->kind === PlantKind::Mobile || $this->isByButton) {
            return null;
        }
        $halfMs = intdiv(max(0, (int) $this->settings->returnDelayMs - $this->settings->normal->dropoutDelayMs), 2);
        $baitMs = intdiv(min(10_000, $halfMs), 1000) * 1000;

        return $baitMs > 0 ? $baitMs : null;
    }

    /** When the plain outage ends: long after the load must be on the other side. */
    private function returnsAtMs(): int
    {
        $start = $this->plant->kind === PlantKind::Standby ? (int) $this->settings->startDelayMs : 0;

        return $this->settings->normal->dropoutDelayMs + $start + ($this->plant->engine->crankMs
            ?? 0) + ($this->plant->engine->runUpMs ?? 0)
            + $this->settings->transferDelayMs + $this->settings->moveMs() + $this->settings->minRunMs + 60_000;
    }

    /** @return list<Event> */
    private function rehearse(int $returnsAtMs): array
    {
        $kind = $this->plant->kind;
        $phases = $this->plant->normal->phases;
        $volts = static fn(int $t, int|float $v): ScenarioEvent => new ScenarioEvent(
            $t,
            Verb::SetSource,
            Side::Normal,
            array_fill(0, $phases, $v),
        );
        $script = match (true) {
            $this->isByButton => [new ScenarioEvent(0, Verb::TestStart, withLoad: true), new ScenarioEvent($returnsAtMs, Verb::TestStop)],
            $kind === PlantKind::Mobile => [
                new ScenarioEvent(0, Verb::StartGenerator),
                new ScenarioEvent($returnsAtMs, Verb::StopGenerator),
            ],
            default => [$volts(0, 0), $volts($returnsAtMs, $this->plant->normal->nominalV)],
        };
        $untilMs = $returnsAtMs + $this->settings->emergency->dropoutDelayMs
            + ($kind === PlantKind::Mobile ? 0 : (int) $this->settings->returnDelayMs) + $this->settings->moveMs()
            + ($kind === PlantKind::Standby ? (int) $this->settings->cooldownMs : 0) + ($this->plant->engine->stopMs ?? 0) + 60_000;

        return Rehearsal::play(new Scenario($this->plant, $this->settings->bare(), $script, $untilMs))->events;
    }

    /**
     * @param list<Event> $events
     * @param string      $detail the source or side it is about, '' for any
     */
    private static function first(array $events, EventKind $kind, int $fromMs, string $detail = ''): ?int
    {
        foreach ($events as $event) {
            if ($event->tMs >= $fromMs && $event->kind() === $kind && in_array($detail, ['', $event->detail()], true)) {
                return $event->tMs;
            }
        }

        return null;
    }

    private static function between(?int $from, ?int $to): ?int
    {
        return $from === null || $to === null ? null : $to - $from;
    }

    /** @return list<WorkingLine> */
    private function show(?int $contact, ?int $accepted, ?int $closed, int $returnsAtMs, ?int $back, ?int $stopped, int $more): array
    {
        $engine = $this->plant->engine;
        $untilAccepted = $engine === null || $accepted === null ? null : $accepted - ($contact ?? 0);
        $rise = (int) $untilAccepted - (int) $engine?->crankMs;

        return array_values(array_filter([
            self::line(
                'Start signal',
                $this->isByButton ? 'a test asks for it at once'
                    : "{$this->settings->normal->dropoutDelayMs} drop-out + {$this->settings->startDelayMs} start delay",
                $contact,
            ),
            self::line(
                'Generator accepted after the start signal',
                "{$engine?->crankMs} crank + $rise run-up to its pick-up",
                $untilAccepted,
            ),
            self::line('Transfer', $this->transferSum($accepted), $closed),
            self::line('Return', $this->returnSum(), self::between($returnsAtMs, $back)),
            self::line(
                'Engine stop',
                'the longer of ' . (int) $this->settings->cooldownMs
                    . " cool-down and what is left of {$this->settings->minRunMs} minimum run",
                self::between($back, $stopped),
            ),
            self::line(
                'Latest, when only the last crank fires',
                "({$engine?->crankAttempts} − 1) × ({$engine?->crankLimitMs} crank limit + {$engine?->crankRestMs} rest)",
                $more > 0 ? $more : null,
            ),
        ]));
    }

    /** @return ?WorkingLine null where it does not come to that */
    private static function line(string $label, string $expression, ?int $ms): ?WorkingLine
    {
        return $ms === null ? null : new WorkingLine($label, $expression, $ms, 'ms');
    }

    private function transferSum(?int $accepted): string
    {
        $s = $this->settings;
        $begins = $this->plant->engine === null ? "{$s->normal->dropoutDelayMs} drop-out" : (int) $accepted . ' until accepted';

        return "$begins + {$s->transferDelayMs} transfer delay + {$s->moveMs()} movement";
    }

    private function returnSum(): string
    {
        $s = $this->settings;

        return $this->plant->kind === PlantKind::Mobile
            ? "{$s->emergency->dropoutDelayMs} drop-out + {$s->moveMs()} movement"
            : ($this->isByButton ? 'at the latest ' : '') . "{$s->returnDelayMs} return delay + {$s->moveMs()} movement";
    }
}
