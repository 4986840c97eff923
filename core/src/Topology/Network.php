<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * The one-line as a graph of nodes that current can pass between. Rule: docs/rules.md#topology.
 *
 * Nodes are numbered once; each state of switches and devices gives its own list of neighbours.
 */
final readonly class Network
{
    /** @var array<string, int> by id.port, in the order of the rule */
    public array $nodes;
    /** @var list<string> */
    public array $names;
    /** @var list<array{int, int}> always joined */
    private array $fixed;
    /** @var list<array{int, int}> passed one way only */
    private array $oneWay;

    public function __construct(private OneLine $drawing)
    {
        $nodes = [];
        foreach ($drawing->elements as $element) {
            foreach ($element->ports() as $port) {
                $nodes["$element->id.$port"] = count($nodes);
            }
        }
        $this->nodes = $nodes;
        $this->names = array_keys($nodes);
        $fixed = array_map(static fn(Link $link): array => [$nodes[$link->from()], $nodes[$link->to()]], $drawing->links);
        $oneWay = [];
        foreach ($drawing->elements as $e) {
            if ($e->type === 'meter' || $e->type === 'inlet') {
                $fixed[] = [$nodes["$e->id.in"], $nodes["$e->id.out"]];
            } elseif ($e->type === 'panel' && $e->mainA === null) {
                $fixed[] = [$nodes["$e->id.in"], $nodes["$e->id.bus"]];
            } elseif ($e->type === 'ups') {
                $oneWay[] = [$nodes["$e->id.in"], $nodes["$e->id.out"]];
            }
        }
        $this->fixed = $fixed;
        $this->oneWay = $oneWay;
    }

    /**
     * @param array<string, string> $positions of the switches; one that is not named connects nothing
     * @param null|array<string, true> $open     refs of the devices that are open; null: as drawn
     * @param bool                  $bothWays   let the UPS pass both ways too
     *
     * @return list<list<int>> the neighbours of each node
     */
    public function neighbours(array $positions, ?array $open, bool $bothWays = false): array
    {
        $next = array_fill(0, count($this->names), []);
        $join = static function (int $a, int $b) use (&$next): void {
            $next[$a][] = $b;
            $next[$b][] = $a;
        };
        foreach ($this->fixed as [$a, $b]) {
            $join($a, $b);
        }
        foreach ($this->oneWay as [$a, $b]) {
            if ($bothWays) {
                $join($a, $b);
            } else {
                $next[$a][] = $b;
            }
        }
        foreach ($this->drawing->devices as $device) {
            if ($open === null ? $device->isClosed : ! isset($open[$device->ref])) {
                $join($this->nodes[$device->line], $this->nodes[$device->load]);
            }
        }
        foreach ($this->drawing->elements as $e) {
            if ($e->type === 'shed' && ($open !== null || $e->isClosed)) {
                $join($this->nodes["$e->id.in"], $this->nodes["$e->id.out"]);
            }
            $feed = $e->type === 'switch' ? self::feed($e, $positions[$e->id] ?? 'off') : null;
            if ($feed !== null) {
                $join($this->nodes[$feed], $this->nodes["$e->id.load"]);
            }
        }

        return $next;
    }

    /** The terminal of a switch that is joined to its load; null where it is open. */
    private static function feed(Element $switch, string $position): ?string
    {
        return match ($position) {
            'normal' => $switch->mainA === null ? "$switch->id.normal" : "$switch->id.main_out",
            'emergency' => "$switch->id.emergency",
            default => null,
        };
    }

    /**
     * As neighbours(), with the sheds as drawn too.
     *
     * @param array<string, string> $positions
     *
     * @return list<list<int>>
     */
    public function drawnWithout(array $positions, string $ref): array
    {
        $next = $this->neighbours($positions, null);
        foreach ($this->drawing->devices as $device) {
            if ($device->ref === $ref && $device->isClosed) {
                [$a, $b] = [$this->nodes[$device->line], $this->nodes[$device->load]];
                $next[$a] = self::without($next[$a], $b);
                $next[$b] = self::without($next[$b], $a);
            }
        }

        return array_values($next);
    }

    /**
     * @param list<list<int>> $next
     *
     * @return array<int, int> nodes reached, with the number of edges to each
     */
    public static function reach(array $next, int $from): array
    {
        $hops = [$from => 0];
        $front = [$from];
        while ($front !== []) {
            $following = [];
            foreach ($front as $node) {
                foreach ($next[$node] as $neighbour) {
                    if (! isset($hops[$neighbour])) {
                        $hops[$neighbour] = $hops[$node] + 1;
                        $following[] = $neighbour;
                    }
                }
            }
            $front = $following;
        }

        return $hops;
    }

    /**
     * Once: a link may lie beside the device.
     *
     * @param list<int> $nodes
     *
     * @return list<int>
     */
    private static function without(array $nodes, int $gone): array
    {
        $place = array_search($gone, $nodes, true);
        if ($place !== false) {
            unset($nodes[$place]);
        }

        return array_values($nodes);
    }
}
