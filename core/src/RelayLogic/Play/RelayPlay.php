<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\RelayLogic\RelayDevice;
use Escapement\Core\RelayLogic\RelayType;

/** Plays a control circuit in time against what happens to it. Rule: docs/rules.md#relay-play. */
final class RelayPlay
{
    private const MOST_SETTLING_STEPS = 500;

    private PlayState $state;
    private PlayMoves $moves;
    private PlayLog $log;
    private PlayReasons $reasons;
    private ProofCoverage $coverage;

    /** @var array<string, PlayEngine> by supply */
    private array $engines = [];

    /** @var array<string, int> steps of each device since the last event of the script */
    private array $steps = [];

    /** @var ?array{device: string, at_ms: int, steps: int} */
    private ?array $hunting = null;

    private bool $isSettling = true;
    private bool $hasFault = false;
    private bool $hasMovedAgainstHandle = false;
    private bool $keeps = false;

    /** @var list<PlayMoment> */
    private array $kept = [];

    private function __construct(private readonly PlayInput $input)
    {
        $this->coverage = new ProofCoverage($input);
        foreach ($input->supplies as $id => $supply) {
            if ($supply->engine !== null) {
                $this->engines[$id] = new PlayEngine($supply->engine);
            }
        }
    }

    public static function of(PlayInput $input): PlayResult
    {
        return (new self($input))->play();
    }

    /** The same with the state after each thing that happened, for a strip and a ladder to be drawn from. */
    public static function story(PlayInput $input): PlayStory
    {
        $play = new self($input);
        $play->keeps = true;
        $result = $play->play();

        return new PlayStory($input, $result, $play->kept);
    }

    private function play(): PlayResult
    {
        $neverSettles = ! $this->settle();
        $this->isSettling = false;
        $this->moves->restart(0);
        $this->keep(0);
        $this->call(0);
        $next = $t = 0;
        while ($t <= $this->input->untilMs) {
            while (isset($this->input->script[$next]) && $this->input->script[$next]->atMs === $t) {
                $this->happen($t, $next++);
            }
            do {
                $isMoved = $this->move($t);
            } while ($isMoved);
            $this->report($t);
            if ($this->hunting !== null) {
                break;
            }
            $t = $this->nextMs($next) ?? $this->input->untilMs + 1;
        }
        $ended = $this->hunting === null ? $this->input->untilMs : $t;
        $this->log->end($ended);

        return (new PlaySummary($this->input, $this->state, $this->log, $this->engines))->result(
            $ended,
            $this->hunting,
            $this->coverage->isCovered(),
            $neverSettles,
            $this->hasFault,
            $this->hasMovedAgainstHandle,
        );
    }

    /** Own moves without time, fast before slow; false: it never comes to rest, and everything is at its start again. */
    private function settle(): bool
    {
        $this->begin();
        for ($step = 0; $this->input->isSettled && ! $this->isAtRest(); $step++) {
            if ($step === self::MOST_SETTLING_STEPS) {
                $this->begin();

                return false;
            }
            $device = $this->moves->firstOf(false) ?? $this->moves->firstOf(true);
            if ($device !== null) {
                $this->step(0, $device);
            }
        }
        $this->log = new PlayLog($this->state, $this->reasons);

        return true;
    }

    private function begin(): void
    {
        $this->state = new PlayState($this->input);
        $this->reasons = new PlayReasons($this->state);
        $this->log = new PlayLog($this->state, $this->reasons);
        $this->moves = new PlayMoves($this->state);
        $this->moves->look(0);
    }

    private function isAtRest(): bool
    {
        return $this->moves->nextMs() === null;
    }

    private function nextMs(int $next): ?int
    {
        $dues = [$this->moves->nextMs(), $this->input->script[$next]->atMs ?? null];
        foreach ($this->engines as $engine) {
            $dues[] = $engine->nextMs();
        }
        $dues = array_filter($dues, is_int(...));

        return $dues === [] ? null : min($dues);
    }

    /** One change of an engine, or one step of the first device whose move is due. */
    private function move(int $t): bool
    {
        foreach ($this->engines as $supply => $engine) {
            $events = $engine->change($t);
            if ($events !== null) {
                $this->engineEvents($t, (string) $supply, $events);

                return true;
            }
        }
        $device = $this->moves->due($t);
        if ($device === null) {
            return false;
        }
        $this->step($t, $device);
        $this->steps[$device->id] = ($this->steps[$device->id] ?? 0) + 1;
        if ($this->steps[$device->id] > $this->input->huntingLimit && $this->hunting === null) {
            $this->hunting = ['device' => $device->id, 'at_ms' => $t, 'steps' => $this->steps[$device->id]];
            $steps = $this->steps[$device->id];
            $this->log->add($t, 'hunting', ['device' => $device->id], "$device->id does not come to rest: $steps steps.");
        }

        return true;
    }

    private function step(int $t, RelayDevice $device): void
    {
        $move = $this->moves->of($device->id);
        if ($move === null) {
            return;
        }
        if ($move->isSlow) {
            $this->coverage->judgeSlowStep($this->state, $device, $move->to);
            $this->log->made($device);
        }
        $because = $this->isSettling ? '' : $this->reasons->ofStep($device, $move);
        $reason = $device->type === RelayType::PhaseRelay ? $this->state->watch($device->id)->reason() : '';
        $isMotor = $device->type === RelayType::MotorChangeover;
        $this->hasMovedAgainstHandle = $this->hasMovedAgainstHandle || $isMotor && $this->state->isHandleIn && ! $this->isSettling;
        $this->state->values[$device->id] = $move->to;
        if (! $this->isSettling) {
            $this->log->stepped($t, $device, $because, $reason);
        }
        $this->follow($t, $because, $device->id);
    }

    /** What follows at once from what just changed; of a device that made a step, nothing else did. */
    private function follow(int $t, string $because, ?string $stepped = null): void
    {
        $this->state->settleSignals($stepped);
        if (! $this->isSettling) {
            $this->log->mains($t, $because);
            $this->call($t);
        }
        $this->moves->look($t);
    }

    private function call(int $t): void
    {
        foreach ($this->engines as $supply => $engine) {
            $isCalled = $this->isCalled((string) $supply);
            if ($isCalled !== $engine->isCalled) {
                $engine->isCalled = $isCalled;
                $because = $this->reasons->ofStart((string) $supply);
                $this->log->add($t, $isCalled ? 'engine_called' : 'engine_released', ['supply' => (string) $supply], $because);
            }
        }
    }

    private function isCalled(string $supply): bool
    {
        foreach ($this->input->circuit->ofType(RelayType::Start) as $start) {
            if ($start->supply === $supply && $this->state->isStarted($start)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<array{string, array<string, int|string>}> $events */
    private function engineEvents(int $t, string $supply, array $events): void
    {
        foreach ($events as [$kind, $more]) {
            $this->log->add($t, $kind, ['supply' => $supply] + $more, $this->reasons->ofStart($supply));
        }
        $v = $this->engines[$supply]->state->hasVolts() ? $this->input->supplies[$supply]->nominalV : 0.0;
        $this->state->volts[$supply] = array_fill(0, $this->input->circuit->isThreePhase ? 3 : 1, $v);
        $this->follow($t, "The set of $supply gives " . round($v) . ' V.');
    }

    private function happen(int $t, int $index): void
    {
        $event = $this->input->script[$index];
        $this->steps = [];
        $this->log->add($t, 'script', ['index' => $index], "The script says so: {$event->verb->value}.");
        match ($event->verb) {
            PlayVerb::SetSupply, PlayVerb::LosePhase, PlayVerb::Restore, PlayVerb::Reverse => $this->changeSupply($event),
            PlayVerb::CrankFailures, PlayVerb::EngineTrip, PlayVerb::EngineReset => $this->changeEngine($t, $event),
            default => $this->act($t, $event),
        };
        $this->follow($t, "Event $index of the script.");
    }

    private function changeSupply(PlayEvent $event): void
    {
        $name = $event->name;
        switch ($event->verb) {
            case PlayVerb::SetSupply:
                $this->state->volts[$name] = $event->v ?? $this->state->volts[$name];
                $this->state->rotations[$name] = $event->rotation ?? $this->state->rotations[$name];
                break;
            case PlayVerb::LosePhase:
                $this->state->volts[$name] = array_values(array_replace($this->state->volts[$name], [(int) $event->phase => 0.0]));
                break;
            case PlayVerb::Restore:
                $count = $this->input->circuit->isThreePhase ? 3 : 1;
                $this->state->volts[$name] = array_fill(0, $count, $this->input->supplies[$name]->nominalV);
                break;
            default:
                $this->state->rotations[$name] = $this->state->rotations[$name] === 'abc' ? 'acb' : 'abc';
        }
    }

    private function changeEngine(int $t, PlayEvent $event): void
    {
        $engine = $this->engines[$event->name];
        match ($event->verb) {
            PlayVerb::CrankFailures => $engine->failuresLeft = $event->count,
            PlayVerb::EngineTrip => $this->engineEvents($t, $event->name, $engine->trip($t)),
            default => $this->engineEvents($t, $event->name, $engine->reset()),
        };
    }

    /** What a hand does, and what breaks. */
    private function act(int $t, PlayEvent $event): void
    {
        $name = $event->name;
        switch ($event->verb) {
            case PlayVerb::Selector:
                $this->state->selector = $name;
                break;
            case PlayVerb::Press:
                $this->state->pressed[$name] = true;
                break;
            case PlayVerb::Release:
                unset($this->state->pressed[$name]);
                break;
            case PlayVerb::Handle:
                $this->state->isHandleIn = $event->isIn;
                break;
            case PlayVerb::Hand:
                $this->moveByHand($t, $name);
                break;
            case PlayVerb::Fault:
                $this->fail($t, $event);
                break;
            default:
                unset($this->state->faults[$event->faultKey()]);
        }
    }

    private function moveByHand(int $t, string $to): void
    {
        $motor = $this->input->circuit->changeover();
        $place = (int) array_search($to, PlayState::MOTOR, true);
        if ($motor === null || ! $this->state->isHandleIn || abs($place - $this->state->values[$motor->id]) !== 1) {
            $this->log->add($t, 'hand_refused', [], $this->state->isHandleIn
                ? 'The hand moves one step at a time, to the neighbouring position.'
                : 'The handle is not in.');

            return;
        }
        $this->state->values[$motor->id] = $place;
        $this->log->stepped($t, $motor, 'Moved by hand.');
    }

    private function fail(int $t, PlayEvent $event): void
    {
        $this->hasFault = true;
        $this->coverage->breakOff();
        $isStuckOn = $event->fault === 'stuck_on';
        if ($isStuckOn || $event->fault === 'stuck_off') {
            unset($this->state->faults['stuck_' . ($isStuckOn ? 'off' : 'on') . ":$event->name"]);
            $device = $this->input->circuit->deviceById[$event->name];
            $value = $isStuckOn ? PlayState::IN : PlayState::OUT;
            if ($this->state->values[$device->id] !== $value) {
                $this->state->values[$device->id] = $value;
                $this->log->stepped($t, $device, 'A fault holds it.', 'held');
            }
        }
        $this->state->faults[$event->faultKey()] = true;
    }

    private function keep(int $t): void
    {
        if ($this->keeps) {
            $engines = array_map(static fn(PlayEngine $engine): EngineState => $engine->state, $this->engines);
            $this->kept[] = new PlayMoment($t, PlayMoments::of($this->state), $this->state->volts, $this->state->bus(), $engines);
        }
    }

    private function report(int $t): void
    {
        $this->log->report($t, $this->moves);
        $this->keep($t);
        $motor = $this->input->circuit->changeover();
        if ($motor !== null) {
            $this->log->stretch('conflict')->see($t, count($this->state->commands($motor->id)) > 1);
        }
    }
}
