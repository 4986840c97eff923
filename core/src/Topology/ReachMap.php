<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * Which sources reach what: as drawn, and with everything closed but what is opened. Rule: docs/rules.md#topology.
 *
 * "Ever" means in any position of the switches.
 */
final class ReachMap
{
    public readonly Network $network;

    /** @var list<array<string, string>> every position of every switch */
    public readonly array $combinations;

    /** @var list<array<string, array<int, int>>> as drawn, by combination and source: nodes reached */
    public readonly array $drawn;

    /** @var array<string, array<string, array<string, true>>> with everything closed: by what is open, source, node name */
    private array $closed = [];

    public function __construct(public readonly OneLine $drawing)
    {
        $this->network = new Network($drawing);
        $this->combinations = $drawing->combinations();
        $this->drawn = array_map(
            fn(array $positions): array => $this->all($this->network->neighbours($positions, null)),
            $this->combinations,
        );
    }

    /**
     * @param list<list<int>> $next
     *
     * @return array<string, array<int, int>>
     */
    public function all(array $next): array
    {
        $reached = [];
        foreach ($this->drawing->sources as $source) {
            $reached[$source->id] = Network::reach($next, $this->network->nodes["$source->id.out"]);
        }

        return $reached;
    }

    public function everReaches(string $source, string $node): bool
    {
        foreach ($this->drawn as $reached) {
            if (isset($reached[$source][$this->network->nodes[$node]])) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, true> $open everything else closed */
    public function closedReaches(string $source, string $node, array $open = []): bool
    {
        $key = implode(' ', array_keys($open));
        $this->closed[$key] ??= $this->closedNodes($open);

        return isset($this->closed[$key][$source][$node]);
    }

    /**
     * Whether a utility or transformer ever reaches a node.
     *
     * @param array<string, true> $open everything else closed
     */
    public function gridReaches(string $node, array $open = []): bool
    {
        foreach ($this->drawing->sources as $source) {
            if ($source->isGrid() && $this->closedReaches($source->id, $node, $open)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Element> the sources that ever reach any node of an element, with everything closed */
    public function closedSources(Element $e): array
    {
        return array_values(array_filter($this->drawing->sources, function (Element $source) use ($e): bool {
            foreach ($e->ports() as $port) {
                if ($this->closedReaches($source->id, "$e->id.$port")) {
                    return true;
                }
            }

            return false;
        }));
    }

    /** @return list<array<string, true>> every choice of one member per interlock: the members that are then open */
    public function interlockChoices(): array
    {
        $choices = [[]];
        foreach ($this->drawing->interlocks as $members) {
            $longer = [];
            foreach ($choices as $choice) {
                foreach ($members as $closed) {
                    $longer[] = $choice + array_fill_keys(array_diff($members, [$closed]), true);
                }
            }
            $choices = $longer;
        }

        return $choices;
    }

    /**
     * Pessimistic: everything closed that is not opened, every source may run that is not stopped.
     *
     * @param list<string> $open
     *
     * @return array<string, list<string>> sources by node, in node order
     */
    public function liveWith(array $open): array
    {
        $byNode = [];
        $stopped = array_fill_keys($open, true);
        foreach ($this->combinations as $positions) {
            foreach ($this->interlockChoices() as $choice) {
                $next = $this->network->neighbours($positions, $choice + $stopped);
                foreach ($this->drawing->sources as $source) {
                    if (! isset($stopped[$source->id])) {
                        foreach (array_keys(Network::reach($next, $this->network->nodes["$source->id.out"])) as $node) {
                            $byNode[$node][$source->id] = true;
                        }
                    }
                }
            }
        }
        ksort($byNode);
        $live = [];
        foreach ($byNode as $node => $sources) {
            if (! str_ends_with($this->network->names[$node], '.dc')) {
                $live[$this->network->names[$node]] = array_values(array_filter(
                    array_map(static fn(Element $source): string => $source->id, $this->drawing->sources),
                    static fn(string $id): bool => isset($sources[$id]),
                ));
            }
        }

        return $live;
    }

    /**
     * @param array<string, true> $open
     *
     * @return array<string, array<string, true>>
     */
    private function closedNodes(array $open): array
    {
        $nodes = [];
        foreach ($this->combinations as $positions) {
            foreach ($this->all($this->network->neighbours($positions, $open)) as $source => $reached) {
                foreach (array_keys($reached) as $node) {
                    $nodes[$source][$this->network->names[$node]] = true;
                }
            }
        }

        return $nodes;
    }
}
