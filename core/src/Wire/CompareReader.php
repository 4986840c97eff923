<?php

declare(strict_types=1);

namespace Escapement\Core\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Rehearsal\Season\SettingsComparison;
use Escapement\Core\Simulation\ScenarioEvent;

/** Reads the input of `settings_compare`. Rule: docs/rules.md#step-sequence. */
final readonly class CompareReader implements Reader
{
    private const MOST = 1_000_000_000;

    /**
     * @return array<string, mixed>
     *
     * @throws BadInput
     */
    public function answer(Node $node): array
    {
        return $this->comparison($node)->compare();
    }

    /** @throws BadInput */
    public function comparison(Node $node): SettingsComparison
    {
        $object = $node->object();
        $object->only(['system', 'candidates', 'loads', 'disturbances', 'recording', 'gap_ms', 'until_ms', 'fuel']);
        $repeated = null;
        $plantReader = new PlantReader();
        $plant = $plantReader->plant($object->required('system'));
        $candidates = [];
        foreach ($object->required('candidates')->list(1, 20) as $item) {
            $candidate = $item->object();
            $candidate->only(['name', 'settings']);
            $nameNode = $candidate->required('name');
            $name = $nameNode->text();
            $settings = (new SettingsReader())->settings($candidate->required('settings'), $plant);
            $candidate->close();
            $repeated ??= isset($candidates[$name]) ? $nameNode->bad("There is a candidate \"$name\" already.") : null;
            $candidates[$name] = $settings;
        }
        $loads = ($loadsNode = $object->optional('loads')) === null ? [] : $plantReader->loads($loadsNode);
        $events = new EventReader($plant, $loads);
        $disturbancesNode = $object->optional('disturbances');
        $disturbances = $disturbancesNode === null ? null : $this->disturbances($disturbancesNode, $events);
        $recordingNode = $object->optional('recording');
        $recording = $recordingNode === null ? null : $events->events($recordingNode);
        $gapMs = $object->optional('gap_ms')?->ms() ?? 3_600_000;
        $untilMs = $object->required('until_ms')->ms();
        $fuel = ($fuelNode = $object->optional('fuel')) === null ? null : $this->fuel($fuelNode);
        $object->close();
        if (($disturbances === null) === ($recording === null)) {
            throw $node->bad('Exactly one of disturbances and recording is needed.');
        }
        if ($repeated !== null) {
            throw $repeated;
        }

        return new SettingsComparison(
            $plant,
            $candidates,
            $disturbances ?? $this->split($recording ?? [], $gapMs),
            $loads,
            $untilMs,
            $fuel,
        );
    }

    /** @return list<array{at_ms: int, events: list<ScenarioEvent>}> */
    private function disturbances(Node $node, EventReader $reader): array
    {
        $disturbances = [];
        $earliestMs = 0;
        foreach ($node->list(0, 5000) as $item) {
            $object = $item->object();
            $object->only(['at_ms', 'events']);
            $atNode = $object->required('at_ms');
            $atMs = $atNode->ms();
            $events = array_map(
                static fn(ScenarioEvent $event): ScenarioEvent => $event->later($atMs),
                $reader->events($object->required('events')),
            );
            $object->close();
            if ($atMs < $earliestMs) {
                throw $atNode->bad("This disturbance begins before the one before it is over, at $earliestMs ms.");
            }
            $earliestMs = $events === [] ? $atMs : $events[count($events) - 1]->atMs;
            $disturbances[] = ['at_ms' => $atMs, 'events' => $events];
        }

        return $disturbances;
    }

    /**
     * @param list<ScenarioEvent> $recording
     *
     * @return list<array{at_ms: int, events: list<ScenarioEvent>}>
     */
    private function split(array $recording, int $gapMs): array
    {
        $groups = [];
        $previousMs = null;
        foreach ($recording as $event) {
            if ($previousMs === null || $event->atMs - $previousMs > $gapMs) {
                $groups[] = [];
            }
            $groups[count($groups) - 1][] = $event;
            $previousMs = $event->atMs;
        }

        return array_map(static fn(array $events): array => ['at_ms' => $events[0]->atMs, 'events' => $events], $groups);
    }

    /** @return array{idle_l_h: int|float, loaded_l_h: int|float} */
    private function fuel(Node $node): array
    {
        $object = $node->object();
        $fuel = [
            'idle_l_h' => $object->required('idle_l_h')->number(0, self::MOST),
            'loaded_l_h' => $object->required('loaded_l_h')->number(0, self::MOST),
        ];
        $object->close();

        return $fuel;
    }
}
