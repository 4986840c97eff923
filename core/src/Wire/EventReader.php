<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Input\ObjectNode;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;

/** Reads the script of a rehearsal against the plant it is played on. Rule: docs/rules.md#source-rating. */
final readonly class EventReader
{
    /** @var array<string, true> */
    private array $loadIds;

    /** @param list<Load> $loads */
    public function __construct(private Plant $plant, array $loads)
    {
        $this->loadIds = array_fill_keys(array_map(static fn(Load $load): string => $load->id, $loads), true);
    }

    /**
     * @return list<ScenarioEvent>
     *
     * @throws BadInput
     */
    public function events(Node $node): array
    {
        $events = [];
        $previousMs = 0;
        foreach ($node->list() as $item) {
            $event = $this->event($item);
            if ($event->atMs < $previousMs) {
                throw $item->at('at_ms', null)->bad("Event times must not go back: {$event->atMs} ms comes after $previousMs ms.");
            }
            $previousMs = $event->atMs;
            $events[] = $event;
        }

        return $events;
    }

    /** @throws BadInput */
    public function event(Node $node): ScenarioEvent
    {
        $object = $node->object();
        $atMs = $object->required('at_ms')->ms();
        $verbNode = $object->required('do');
        $verb = $verbNode->enum(Verb::class);
        $event = match ($verb) {
            Verb::SetSource, Verb::RampSource => $this->sourceEvent($object, $atMs, $verb),
            Verb::CrankFailures => new ScenarioEvent($atMs, $verb, count: $object->required('count')->integer(0, 1000)),
            Verb::EngineTrip => new ScenarioEvent($atMs, $verb, reason: $object->optional('reason')?->text() ?? 'trip'),
            Verb::TestStart => new ScenarioEvent(
                $atMs,
                $verb,
                withLoad: $object->required('with_load')->bool(),
                forMs: $object->optional('for_ms')?->ms(),
            ),
            Verb::Selector => new ScenarioEvent($atMs, $verb, to: $object->required('to')->oneOf(['auto', 'off'])),
            Verb::SetLoad => new ScenarioEvent(
                $atMs,
                $verb,
                load: $this->loadId($object->required('load')),
                kw: $object->required('kw')->number(0, 100_000),
            ),
            Verb::EngineReset, Verb::StartGenerator, Verb::StopGenerator, Verb::TestStop => new ScenarioEvent($atMs, $verb),
        };
        $object->close();
        if ($verb->needsEngine() && $this->plant->engine === null) {
            throw $verbNode->bad('There is no engine in this system.');
        }
        if ($verb->needsController() && $this->plant->kind === PlantKind::Mobile) {
            throw $verbNode->bad('A mobile relay has no controller: no test and no selector.');
        }

        return $event;
    }

    private function sourceEvent(ObjectNode $object, int $atMs, Verb $verb): ScenarioEvent
    {
        $sourceNode = $object->required('source');
        $side = $sourceNode->enum(Side::class);
        $phases = $this->plant->source($side)->phases;
        $v = ($vNode = $object->optional('v')) === null ? null : $this->volts($vNode, $phases);
        $hz = $object->optional('hz')?->number(0, 1000);
        $rotation = null;
        $overMs = 0;
        if ($verb === Verb::SetSource) {
            $rotationNode = $object->optional('rotation');
            $rotation = $rotationNode?->oneOf(['abc', 'acb']);
            if ($rotationNode !== null && $phases !== 3) {
                throw $rotationNode->bad('Only a three-phase source has a rotation.');
            }
        } else {
            $overMs = $object->required('over_ms')->ms(1);
        }
        if ($side === Side::Emergency && $this->plant->engine !== null) {
            throw $sourceNode->bad('The engine makes this voltage; it cannot be set by the script.');
        }

        return new ScenarioEvent($atMs, $verb, $side, $v, $hz, $rotation, $overMs);
    }

    /**
     * @return list<int|float> one a phase
     *
     * @throws BadInput
     */
    public function volts(Node $node, int $phases): array
    {
        if (! is_array($node->value)) {
            return array_fill(0, $phases, $node->number(0, 1_000_000));
        }
        if (count($node->value) !== $phases) {
            throw $node->bad("One value a phase is needed: $phases, not " . count($node->value) . '.');
        }

        return array_map(static fn(Node $item): int|float => $item->number(0, 1_000_000), $node->list());
    }

    private function loadId(Node $node): string
    {
        $id = $node->text();
        if (! isset($this->loadIds[$id])) {
            throw $node->bad("There is no load \"$id\" in the list of loads.");
        }

        return $id;
    }
}
