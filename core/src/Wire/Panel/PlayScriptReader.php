<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Panel;

use Escapement\Core\Input\Fields;
use Escapement\Core\RelayLogic\Play\PlayEvent;
use Escapement\Core\RelayLogic\Play\PlaySupply;
use Escapement\Core\RelayLogic\Play\PlayVerb;
use Escapement\Core\RelayLogic\RelayCircuit;
use Escapement\Core\RelayLogic\RelayType;

/** What happens in a run, as it is typed. Rule: docs/rules.md#relay-play. */
final readonly class PlayScriptReader
{
    private const FAULTS = ['weld', 'coil_open', 'stuck_on', 'stuck_off', 'bridged', 'open', 'fuse_blown', 'pole_open'];
    private const MOST_EVENTS = 200;
    private const DAY_MS = 86_400_000;

    /** @param array<string, PlaySupply> $supplies */
    public function __construct(private RelayCircuit $circuit, private array $supplies) {}

    /** @return list<PlayEvent> */
    public function read(Fields $in): array
    {
        $events = [];
        $last = 0;
        foreach ($in->maybeList('script', 0, self::MOST_EVENTS) ?? [] as $node) {
            $one = new Fields($node);
            $event = $this->event($one);
            if ($event->atMs < $last) {
                throw $one->at('at_ms')->bad("Time does not go back: the event before is at $last ms.");
            }
            $last = $event->atMs;
            $events[] = $event;
        }

        return $events;
    }

    private function event(Fields $in): PlayEvent
    {
        $verb = PlayVerb::from($in->oneOf('do', array_map(static fn(PlayVerb $one): string => $one->value, PlayVerb::cases())));
        $fault = in_array($verb, [PlayVerb::Fault, PlayVerb::Clear], true) ? $in->oneOf('kind', self::FAULTS) : '';
        $in->only(['at_ms', 'do', ...match ($verb) {
            PlayVerb::SetSupply => ['supply', 'v', 'rotation'],
            PlayVerb::LosePhase => ['supply', 'phase'],
            PlayVerb::Restore, PlayVerb::Reverse, PlayVerb::EngineTrip, PlayVerb::EngineReset => ['supply'],
            PlayVerb::Selector, PlayVerb::Hand => ['to'],
            PlayVerb::Press, PlayVerb::Release => ['button'],
            PlayVerb::Handle => ['in'],
            PlayVerb::Fault, PlayVerb::Clear => ['kind', 'at', ...($fault === 'pole_open' ? ['phase'] : [])],
            PlayVerb::CrankFailures => ['supply', 'count'],
        }]);
        $at = $in->int('at_ms', 0, self::DAY_MS);

        return match ($verb) {
            PlayVerb::SetSupply => $this->setSupply($in, $at),
            PlayVerb::LosePhase => new PlayEvent($at, $verb, $this->supply($in, hasEngine: false), phase: $this->phase($in)),
            PlayVerb::Restore => new PlayEvent($at, $verb, $this->supply($in, hasEngine: false)),
            PlayVerb::Reverse => new PlayEvent($at, $verb, $this->supply($in, hasEngine: null)),
            PlayVerb::EngineTrip, PlayVerb::EngineReset => new PlayEvent($at, $verb, $this->supply($in, hasEngine: true)),
            PlayVerb::CrankFailures => new PlayEvent(
                $at,
                $verb,
                $this->supply($in, hasEngine: true),
                count: $in->int('count', 0, 1000),
            ),
            PlayVerb::Selector => new PlayEvent($at, $verb, $this->position($in)),
            PlayVerb::Press, PlayVerb::Release => new PlayEvent($at, $verb, $this->button($in)),
            PlayVerb::Handle => new PlayEvent($at, $verb, isIn: $this->handle($in)),
            PlayVerb::Hand => new PlayEvent($at, $verb, $this->hand($in)),
            PlayVerb::Fault, PlayVerb::Clear => new PlayEvent(
                $at,
                $verb,
                $this->faulty($in, $fault),
                phase: $fault === 'pole_open' ? $this->phase($in) : null,
                fault: $fault,
            ),
        };
    }

    private function setSupply(Fields $in, int $at): PlayEvent
    {
        $supply = $this->supply($in, hasEngine: null);
        $hasVolts = ! $in->at('v')->isNull();
        $v = $hasVolts ? RelayPlayReader::volts($in->at('v'), $this->circuit->isThreePhase) : null;
        $rotation = $in->at('rotation')->isNull() ? null : $in->oneOf('rotation', ['abc', 'acb']);
        if ($hasVolts && $this->supplies[$supply]->engine !== null) {
            throw $in->at('v')->bad('A supply with an engine has the voltage that its engine gives.');
        }
        if (! $hasVolts && $rotation === null) {
            throw $in->at('v')->bad('Say what changes: v or rotation.');
        }

        return new PlayEvent($at, PlayVerb::SetSupply, $supply, $v, $rotation);
    }

    /** @param ?bool $hasEngine null: with or without */
    private function supply(Fields $in, ?bool $hasEngine): string
    {
        $id = $in->text('supply', 40);
        $supply = $this->supplies[$id] ?? throw $in->at('supply')->bad('This must be a supply that can fail.');
        if ($hasEngine !== null && $hasEngine !== ($supply->engine !== null)) {
            throw $in->at('supply')->bad($hasEngine ? 'This must be a supply with an engine.' : 'This must be a supply without an engine.');
        }

        return $id;
    }

    private function phase(Fields $in): int
    {
        return $in->int('phase', 1, $this->circuit->isThreePhase ? 3 : 1) - 1;
    }

    private function position(Fields $in): string
    {
        $positions = $this->circuit->selector()->positions ?? [];

        return $positions === [] ? throw $in->at('do')->bad('This circuit has no selector.') : $in->oneOf('to', $positions);
    }

    private function button(Fields $in): string
    {
        $id = $in->text('button', 40);
        $device = $this->circuit->deviceById[$id] ?? null;

        return $device?->type === RelayType::PushButton ? $id : throw $in->at('button')->bad('This must be a push-button.');
    }

    private function handle(Fields $in): bool
    {
        if ($this->circuit->ofType(RelayType::Handle) === []) {
            throw $in->at('do')->bad('This circuit has no handle.');
        }

        return $in->bool('in');
    }

    private function hand(Fields $in): string
    {
        if ($this->circuit->changeover() === null) {
            throw $in->at('do')->bad('This circuit has no motor changeover.');
        }

        return $in->oneOf('to', ['I', '0', 'II']);
    }

    private function faulty(Fields $in, string $fault): string
    {
        $name = $in->text('at', 80);
        $device = $this->circuit->deviceById[$name] ?? null;
        $fits = match ($fault) {
            'weld' => $device?->isPowerContactor() === true,
            'pole_open' => $device?->isPowerContactor() === true || $device?->type === RelayType::MotorChangeover,
            'coil_open' => $device?->type->hasCoil() === true || $device?->type === RelayType::MotorChangeover,
            'stuck_on', 'stuck_off' => in_array($device?->type, [RelayType::Relay, RelayType::Timer, RelayType::PhaseRelay], true),
            'fuse_blown' => in_array($name, array_column($this->circuit->rungs, 'id'), true),
            default => in_array($name, $this->contactIds(), true),
        };

        return $fits ? $name : throw $in->at('at')->bad("Nothing of this name can have the fault $fault.");
    }

    /** @return list<string> */
    private function contactIds(): array
    {
        $ids = [];
        foreach ([...$this->circuit->rungs, ...$this->circuit->ofType(RelayType::Start)] as $owner) {
            foreach ($owner->when?->contacts() ?? [] as $contact) {
                $ids[] = $contact->id;
            }
        }

        return $ids;
    }
}
