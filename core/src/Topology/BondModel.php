<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** Neutrals, grounds and bonds of a tree of feeds, in each position of its switches. Rule: docs/rules.md#bonding. */
final class BondModel
{
    private const KINDS = ['utility', 'transformer', 'shore', 'generator', 'inverter'];

    /** @param array<string, BondElement> $elements in their order */
    public function __construct(public readonly int $phases, public readonly array $elements) {}

    public function copy(): self
    {
        return new self($this->phases, array_map(static fn(BondElement $e): BondElement => clone $e, $this->elements));
    }

    /** @return list<BondElement> */
    public function ofType(string $type): array
    {
        return array_values(array_filter($this->elements, static fn(BondElement $e): bool => $e->type === $type));
    }

    /** @return list<array<string, string>> */
    public function combinations(): array
    {
        $combinations = [[]];
        foreach ($this->ofType('switch') as $switch) {
            $longer = [];
            foreach ($combinations as $combination) {
                foreach (['normal', 'emergency'] as $position) {
                    $longer[] = $combination + [$switch->id => $position];
                }
            }
            $combinations = $longer;
        }

        return $combinations;
    }

    /** @return list<BondElement> the loads, or else the panels that feed nothing */
    public function points(): array
    {
        $loads = $this->ofType('load');
        if ($loads !== []) {
            return $loads;
        }
        $feeders = array_merge(...array_values(array_map(static fn(BondElement $e): array => $e->feeders(), $this->elements)));

        return array_values(array_filter($this->ofType('panel'), static fn(BondElement $e): bool => ! in_array($e->id, $feeders, true)));
    }

    /** @return list<string> everything upstream, by any side of the switches */
    public function ancestors(string $id): array
    {
        $found = [];
        $front = $this->elements[$id]->feeders();
        while ($front !== []) {
            $up = array_pop($front);
            if (! isset($found[$up])) {
                $found[$up] = true;
                array_push($front, ...$this->elements[$up]->feeders());
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    /**
     * From a point up to its active source: the elements met, and where the neutral is missing on the way.
     *
     * @param array<string, string> $positions
     *
     * @return array{elements: list<string>, source: string, gaps: list<string>} gaps as id or switch.port
     */
    public function walk(BondElement $point, array $positions): array
    {
        $elements = $gaps = [];
        $e = $point;
        while ($e->type !== 'source') {
            $elements[] = $e->id;
            $isNormal = $e->type !== 'switch' || $positions[$e->id] === 'normal';
            if (! ($isNormal ? $e->hasNeutral : $e->hasEmergencyNeutral) && ! ($e === $point && ! $e->needsNeutral)) {
                $gaps[] = $e->type === 'switch' ? "$e->id." . $positions[$e->id] : $e->id;
            }
            $e = $this->elements[$isNormal ? $e->from : $e->emergencyFrom];
        }
        $elements[] = $e->id;

        return ['elements' => $elements, 'source' => $e->id, 'gaps' => $gaps];
    }

    /** @return list<string> every gap of every point that needs a neutral, in element order, normal before emergency */
    public function gaps(): array
    {
        $gaps = [];
        foreach ($this->combinations() as $positions) {
            foreach ($this->points() as $point) {
                if ($point->needsNeutral) {
                    $gaps += array_fill_keys($this->walk($point, $positions)['gaps'], true);
                }
            }
        }
        $ordered = [];
        foreach ($this->elements as $e) {
            foreach ($e->type === 'switch' ? ["$e->id.normal", "$e->id.emergency"] : [$e->id] as $place) {
                if (isset($gaps[$place])) {
                    $ordered[] = $place;
                }
            }
        }

        return $ordered;
    }

    public function closeGap(string $place): void
    {
        [$id, $port] = explode('.', $place) + [1 => 'normal'];
        if ($port === 'emergency') {
            $this->element($id)->hasEmergencyNeutral = true;
        } else {
            $this->element($id)->hasNeutral = true;
        }
    }

    /**
     * The neutrals of one combination: from each node, what it is joined to.
     *
     * @param array<string, string> $positions
     *
     * @return array<string, list<string>>
     */
    public function neutrals(array $positions): array
    {
        $next = [];
        $join = static function (string $a, string $b) use (&$next): void {
            $next[$a][] = $b;
            $next[$b][] = $a;
        };
        foreach ($this->elements as $e) {
            if ($e->type === 'switch') {
                [$normal, $emergency] = $e->isSwitched ? ["$e->id.normal", "$e->id.emergency"] : [$e->id, $e->id];
                if ($e->hasNeutral) {
                    $join($normal, $this->elements[$e->from]->feedNode());
                }
                if ($e->hasEmergencyNeutral) {
                    $join($emergency, $this->elements[$e->emergencyFrom]->feedNode());
                }
                if ($e->isSwitched) {
                    $join("$e->id.load", $positions[$e->id] === 'normal' ? $normal : $emergency);
                }
            } elseif ($e->type !== 'source' && $e->hasNeutral) {
                $join($e->id, $this->elements[$e->from]->feedNode());
            }
        }

        return $next;
    }

    /** @return array<string, list<string>> likewise the grounds; positions do not matter */
    public function grounds(): array
    {
        $next = [];
        foreach ($this->elements as $e) {
            foreach ($e->feeders() as $i => $feeder) {
                if ($i === 0 ? $e->hasGround : $e->hasEmergencyGround) {
                    $next[$e->id][] = $feeder;
                    $next[$feeder][] = $e->id;
                }
            }
        }

        return $next;
    }

    /**
     * @param array<string, list<string>> $next
     *
     * @return array<string, ?string> the nodes joined to one, each with the node before it on the shortest way
     */
    public static function joined(array $next, string $from): array
    {
        $before = [$from => null];
        $queue = [$from];
        for ($i = 0; isset($queue[$i]); $i++) {
            foreach ($next[$queue[$i]] ?? [] as $node) {
                if (! array_key_exists($node, $before)) {
                    $before[$node] = $queue[$i];
                    $queue[] = $node;
                }
            }
        }

        return $before;
    }

    /**
     * @return array<string, array{element: BondElement, node: string}> the bonds there are, by reference, a plug after its element's own
     */
    public function bonds(): array
    {
        $bonds = [];
        foreach ($this->elements as $e) {
            if ($e->touches()) {
                $bonds[$e->id] = ['element' => $e, 'node' => $e->bondNode()];
            }
            if ($e->hasPlug) {
                $bonds["$e->id.plug"] = ['element' => $e, 'node' => $e->bondNode()];
            }
        }

        return $bonds;
    }

    public function element(string $id): BondElement
    {
        return $this->elements[$id];
    }

    /** The element of a reference. */
    public function of(string $ref): BondElement
    {
        return $this->elements[explode('.', $ref)[0]];
    }

    /** The neutral node from which a point is seen. */
    public function start(BondElement $point): string
    {
        return $point->hasNeutral ? $point->id : $this->elements[$point->from]->feedNode();
    }

    /** @return list<BondElement> sources in the order in which they are given the bond */
    public function sourcesByKind(): array
    {
        $sources = $this->ofType('source');
        $order = array_flip(self::KINDS);
        usort($sources, static fn(BondElement $a, BondElement $b): int => $order[$a->kind] <=> $order[$b->kind]);

        return $sources;
    }

    /** @return list<string> where the bond of a source belongs */
    public function homes(BondElement $source): array
    {
        if ($source->isTnCs()) {
            return $this->serviceWay($source)['homes'];
        }
        if ($source->kind === 'utility' || $source->kind === 'shore' || $source->isBonded) {
            return [$source->id];
        }
        if ($source->hasPlug) {
            return ["$source->id.plug"];
        }
        foreach ($this->ofType('disconnect') as $disconnect) {
            if ($disconnect->from === $source->id && $disconnect->isBonded) {
                return [$disconnect->id];
            }
        }

        return [$source->id];
    }

    /**
     * From a tn-c-s utility down, branch by branch, to the first service element of each.
     *
     * @return array{homes: list<string>, way: list<string>} the way includes the homes
     */
    public function serviceWay(BondElement $utility): array
    {
        $homes = $way = [];
        $queue = [$utility->id];
        for ($i = 0; isset($queue[$i]); $i++) {
            foreach ($this->elements as $e) {
                foreach ($e->feeders() as $side => $feeder) {
                    if ($feeder !== $queue[$i] || in_array($e->id, $way, true)) {
                        continue;
                    }
                    $way[] = $e->id;
                    if ($e->isService || $e->isServiceRated && $side === 0) {
                        $homes[] = $e->id;
                    } else {
                        $queue[] = $e->id;
                    }
                }
            }
        }

        return ['homes' => $homes, 'way' => $way];
    }

    /** @return array<string, list<string>> by source, the sources joined to it by neutral in any combination, element order */
    public function sharing(): array
    {
        $sources = $this->ofType('source');
        $shared = [];
        foreach ($sources as $source) {
            $joined = $this->sourcesJoinedTo($source->bondNode());
            $shared[$source->id] = array_values(array_filter($joined, static fn(string $id): bool => $id !== $source->id));
        }

        return $shared;
    }

    /** @return list<string> the sources joined to a neutral node in any combination */
    public function sourcesJoinedTo(string $node): array
    {
        $ids = [];
        foreach ($this->combinations() as $positions) {
            $ids += self::joined($this->neutrals($positions), $node);
        }

        return array_values(array_filter(
            array_map(static fn(BondElement $e): string => $e->id, $this->ofType('source')),
            static fn(string $id): bool => array_key_exists($id, $ids),
        ));
    }
}
