<?php

declare(strict_types=1);

namespace Escapement\Core\Commissioning\Procedure;

use Escapement\Core\Topology\ElementNames;
use Escapement\Core\Topology\OneLine;
use Escapement\Core\Topology\TopologyCheck;

/** What the one-line says to the procedure: what isolates, what stays live, and which disconnect proves the switch. */
final readonly class Surroundings
{
    /** @param list<Isolator> $isolators */
    private function __construct(public array $isolators, public ?string $testDevice) {}

    /** Without a one-line the words stay general. */
    public static function unknown(): self
    {
        return new self([], null);
    }

    /** @param array<string, string> $names of elements; an element without one goes by its id */
    public static function of(OneLine $drawing, array $names): self
    {
        $name = (new ElementNames($names))->of(...);
        $answer = TopologyCheck::of($drawing)->answer()->values;
        /** @var list<array{open: list<string>, live: array<string, list<string>>}> $stillLive */
        $stillLive = $answer['still_live'];
        /** @var list<array{device: string}> $points */
        $points = $answer['outage_test_points'];
        $live = [];
        foreach ($stillLive as $one) {
            if (count($one['open']) === 1) {
                $live[$one['open'][0]] = (array) $one['live'];
            }
        }
        $isolators = [];
        foreach ($drawing->devices as $device) {
            if ($device->kind !== 'breaker') {
                $isolators[] = new Isolator($device->ref, $name($device->ref), array_map($name, $live[$device->ref][$device->line] ?? []));
            }
        }

        return new self($isolators, isset($points[0]) ? $name($points[0]['device']) : null);
    }
}
