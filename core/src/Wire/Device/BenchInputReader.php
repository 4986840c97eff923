<?php

declare(strict_types=1);

namespace Escapement\Core\Wire\Device;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Fields;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Wire\EventReader;

/** Reads what a hand did to a bench, against the bench that it was done to. Rule: docs/rules.md#bench-play. */
final readonly class BenchInputReader
{
    private const MOST_MS = 31_536_000_000;
    /** Its keys, and as which event of a scenario it is played where it is one as it stands. */
    private const KEYS = [
        'utility_disconnect' => ['open'],
        'utility' => ['v', 'hz', 'rotation', 'over_ms'], 'emergency' => ['v', 'hz', 'rotation', 'over_ms'],
        'fuel' => ['blocked'], 'crank_failures' => ['count'], 'engine_trip' => ['reason'], 'engine_reset' => [], 'hand_start' => [],
        'hand_stop' => [], 'selector' => ['to'], 'test' => ['with_load', 'for_ms'], 'test_stop' => [], 'load' => ['load', 'kw'],
        'panel_main' => ['closed'], 'bank' => ['element', 'on'], 'ct' => ['phase', 'reversed'], 'door' => ['open'], 'charger' => ['on'],
        'generator_breaker' => ['closed'], 'generator_rotation' => ['rotation'], 'handle' => ['to'],
    ];
    private const AS_EVENT = [
        'crank_failures' => 'crank_failures', 'engine_trip' => 'engine_trip', 'engine_reset' => 'engine_reset',
        'hand_start' => 'start_generator', 'hand_stop' => 'stop_generator', 'selector' => 'selector', 'test' => 'test_start',
        'test_stop' => 'test_stop',
    ];
    private const OF_ENGINE = [
        'fuel', 'crank_failures', 'engine_trip', 'engine_reset', 'hand_start', 'hand_stop', 'generator_breaker', 'generator_rotation',
        'charger',
    ];
    private const OF_CONTROLLER = ['selector', 'test', 'test_stop', 'handle'];

    /** @param list<Load> $loads */
    public function __construct(public Plant $plant, private array $loads, private int $elements) {}

    /**
     * @return array{int, string, array<string, mixed>, ?ScenarioEvent, array<string, mixed>} time, what was done, its keys; and the event
     *     that it is as it stands, with the same on the wire
     *
     * @throws BadInput
     */
    public function read(Node $node): array
    {
        $object = $node->object();
        $do = $object->required('do')->oneOf(array_keys(self::KEYS));
        $in = (new Fields($node))->only(['at_ms', 'do', ...self::KEYS[$do]]);
        $atMs = $in->int('at_ms', 0, self::MOST_MS);
        $this->refuse($in, $do);
        if (isset(self::AS_EVENT[$do])) {
            $wire = ['at_ms' => $atMs, 'do' => self::AS_EVENT[$do]];
            foreach (self::KEYS[$do] as $key) {
                $wire += $in->has($key) ? [$key => $in->at($key)->value] : [];
            }
            $event = (new EventReader($this->plant, $this->loads))->event(new Node((object) $wire, $node->path));

            return [$atMs, $do, [], $event, $wire];
        }

        return [$atMs, $do, $this->keys($in, $do), null, []];
    }

    /** @return array<string, mixed> */
    private function keys(Fields $in, string $do): array
    {
        $n = $this->plant->normal->phases;

        return match ($do) {
            'utility', 'emergency' => $this->supply($in, $do),
            'fuel' => ['blocked' => $in->bool('blocked')],
            'load' => ['load' => $in->oneOf('load', $this->ids($in)), 'kw' => $in->at('kw')->number(0, 100_000)],
            'bank' => ['element' => $in->int('element', 0, $this->elements - 1), 'on' => $in->bool('on')],
            'ct' => ['phase' => $in->int('phase', 1, $n), 'reversed' => $in->bool('reversed')],
            'charger' => ['on' => $in->bool('on')],
            'generator_rotation' => ['rotation' => $n === 3 ? $in->oneOf('rotation', ['abc', 'acb'])
                : throw $in->at('rotation')->bad('Only a three-phase source has a rotation.')],
            'handle' => ['to' => $in->oneOf('to', ['normal', 'emergency'])],
            'panel_main', 'generator_breaker' => ['closed' => $in->bool('closed')],
            default => ['open' => $in->bool('open')], // the utility disconnect, the door
        };
    }

    /** @return array<string, mixed> */
    private function supply(Fields $in, string $do): array
    {
        $phases = $this->plant->source($do === 'utility' ? Side::Normal : Side::Emergency)->phases;
        $reader = new EventReader($this->plant, $this->loads);
        $keys = [];
        if ($in->has('v')) {
            $keys = ['v' => $reader->volts($in->at('v'), $phases), 'said' => $in->at('v')->value];
        }
        if ($in->has('hz')) {
            $keys['hz'] = $in->at('hz')->number(0, 1000);
        }
        if ($in->has('rotation')) {
            $keys['rotation'] = $in->oneOf('rotation', ['abc', 'acb']);
            if ($phases !== 3) {
                throw $in->at('rotation')->bad('Only a three-phase source has a rotation.');
            }
        }

        return $keys + ($in->has('over_ms') ? ['over_ms' => $in->at('over_ms')->ms(1)] : []);
    }

    /** @return non-empty-list<string> */
    private function ids(Fields $in): array
    {
        $ids = array_map(static fn(Load $load): string => $load->id, $this->loads);

        return $ids === [] ? throw $in->at('load')->bad('This bench has no loads.') : $ids;
    }

    /** @throws BadInput where this bench has nothing of the kind */
    private function refuse(Fields $in, string $do): void
    {
        $kind = $this->plant->kind;
        $why = match (true) {
            $kind === PlantKind::TwoSource && in_array($do, self::OF_ENGINE, true) => 'Two standing supplies have no engine.',
            $kind === PlantKind::Mobile && in_array($do, self::OF_CONTROLLER, true)
                => 'A relay on a vehicle has no controller and no handle.',
            $kind !== PlantKind::TwoSource && $do === 'emergency' => 'The engine makes this voltage; nobody else can set it.',
            $do === 'bank' && $this->elements === 0 => 'This bench has no load bank.',
            default => null,
        };
        if ($why !== null) {
            throw $in->at('do')->bad($why);
        }
    }
}
