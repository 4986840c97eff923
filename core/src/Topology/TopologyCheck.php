<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * What is live in each position, what can back-feed, what stays live when this is open, where to test, what protects
 * what. Rule: docs/rules.md#topology.
 */
final class TopologyCheck
{
    private readonly ReachMap $reach;
    private readonly Network $network;
    private readonly PlacedFindings $findings;

    private function __construct(private readonly OneLine $drawing)
    {
        $this->reach = new ReachMap($drawing);
        $this->network = $this->reach->network;
        $this->findings = new PlacedFindings();
    }

    public static function of(OneLine $drawing): self
    {
        return new self($drawing);
    }

    public function answer(): PlacedAnswer
    {
        $loadSources = $this->loadSources();
        $backfeed = $this->backfeed();
        $coordination = (new Coordination($this->drawing, $this->findings))->entries();
        [$points, $others] = (new TestPoints($this->drawing, $this->network, $this->findings))->find();
        $stillLive = $this->stillLive();
        $this->judgeService($stillLive);
        (new SwitchRules($this->reach, $this->findings))->judge();
        (new InterruptingRatings($this->reach, $this->findings))->judge();
        (new GroundFaultRules($this->reach, $this->findings))->judge();
        (new SiteFactRules($this->drawing, $this->findings))->judge();
        $this->judgePanels();
        $this->judgeOnGenerator();
        $isUtilityLike = fn(string $source): bool => $this->drawing->byId[$source]->isUtilityLike();

        return new PlacedAnswer([
            'states' => $this->states(),
            'load_sources' => (object) $loadSources,
            'not_backed_up' => array_values(array_filter(
                array_map(strval(...), array_keys($loadSources)),
                static fn(string $load): bool => array_filter(
                    $loadSources[$load],
                    static fn(string $source): bool => ! $isUtilityLike($source),
                ) === [],
            )),
            'backfeed' => $backfeed,
            'coordination' => $coordination,
            'outage_test_points' => $points,
            'not_test_points' => $others,
            'still_live' => $stillLive,
            'stored_energy' => $this->storedEnergy(),
            'energy_loops' => $this->energyLoops(),
            'phase_va' => (object) $this->phaseVa($loadSources),
        ], $this->findings->all(), [sprintf(
            '%d nodes, %d devices, %d combinations of positions',
            count($this->network->names),
            count($this->drawing->devices),
            count($this->reach->combinations),
        )]);
    }

    /**
     * What is live when the switches stand so, these devices are open beside those drawn open, and these sources run.
     *
     * @param array<string, string> $positions
     * @param list<string>          $open
     * @param list<string>          $running
     *
     * @return array<string, list<string>> sources by node
     */
    public static function live(OneLine $drawing, array $positions, array $open, array $running): array
    {
        $network = new Network($drawing);
        $opened = array_fill_keys($open, true);
        foreach ($drawing->devices as $device) {
            if (! $device->isClosed) {
                $opened[$device->ref] = true;
            }
        }
        $next = $network->neighbours($positions, $opened);
        $live = [];
        foreach ($running as $source) {
            foreach (array_keys(Network::reach($next, $network->nodes["$source.out"])) as $node) {
                $live[$network->names[$node]][] = $source;
            }
        }

        return $live;
    }

    /** @return list<array<string, mixed>> */
    private function states(): array
    {
        $states = [];
        foreach ($this->reach->combinations as $i => $positions) {
            $byElement = [];
            foreach ($this->drawing->elements as $e) {
                foreach ($this->reach->drawn[$i] as $source => $nodes) {
                    foreach ($e->ports() as $port) {
                        if ($port !== 'dc' && isset($nodes[$this->network->nodes["$e->id.$port"]])) {
                            $byElement[$e->id][] = (string) $source;
                            break;
                        }
                    }
                }
            }
            foreach ($this->liveSets() as $live) {
                $energised = array_filter(
                    array_map(static fn(array $sources): array => array_values(array_intersect($sources, $live)), $byElement),
                    static fn(array $sources): bool => $sources !== [],
                );
                $dead = array_values(array_filter(
                    array_map(static fn(Element $load): string => $load->id, $this->drawing->ofType('load')),
                    static fn(string $load): bool => ! isset($energised[$load]),
                ));
                $states[] = [
                    'positions' => (object) $positions,
                    'live' => $live,
                    'energised' => (object) $energised,
                    'dead_loads' => $dead,
                ];
            }
        }

        return $states;
    }

    /** @return list<list<string>> the non-empty sets of sources, by size, then in their order */
    private function liveSets(): array
    {
        $sets = [];
        $count = count($this->drawing->sources);
        for ($bits = 1; $bits < 1 << $count; $bits++) {
            $places = array_values(array_filter(range(0, $count - 1), static fn(int $i): bool => ($bits >> $i & 1) === 1));
            $sets[] = $places;
        }
        usort($sets, static fn(array $a, array $b): int => [count($a), $a] <=> [count($b), $b]);

        return array_map(fn(array $places): array => array_map(fn(int $i): string => $this->drawing->sources[$i]->id, $places), $sets);
    }

    /** @return array<string, list<string>> */
    private function loadSources(): array
    {
        $fed = [];
        foreach ($this->drawing->ofType('load') as $load) {
            $node = $this->network->nodes["$load->id.in"];
            $fed[$load->id] = [];
            foreach ($this->drawing->sources as $source) {
                foreach ($this->reach->drawn as $reached) {
                    if (isset($reached[$source->id][$node])) {
                        $fed[$load->id][] = $source->id;
                        break;
                    }
                }
            }
            if ($fed[$load->id] === []) {
                $this->findings->raise('load-never-fed', $load->id);
            }
        }

        return $fed;
    }

    /** @return list<array<string, mixed>> */
    private function backfeed(): array
    {
        $pairs = [];
        foreach ($this->drawing->sources as $i => $a) {
            foreach (array_slice($this->drawing->sources, $i + 1) as $b) {
                $pairs[] = [$a, $b];
            }
        }
        $drawn = $this->meeting($pairs, fn(int $i): array => [$this->reach->drawn[$i]]);
        $breaker = $this->meeting($pairs, fn(int $i): array => array_map(
            fn(array $open): array => $this->reach->all($this->network->neighbours($this->reach->combinations[$i], $open)),
            $this->reach->interlockChoices(),
        ));
        $list = [];
        foreach (['as-drawn' => $drawn, 'breaker' => array_diff_key($breaker, $drawn)] as $by => $found) {
            foreach ($found as $place => $positions) {
                [$a, $b] = $pairs[$place];
                if ($a->isGridInteractive || $b->isGridInteractive) {
                    [$inverter, $other] = $a->isGridInteractive ? [$a, $b] : [$b, $a];
                    $this->findings->raise(
                        $other->isUtilityLike()
                            || $other->isGridInteractive ? 'grid-interactive-parallel' : 'grid-interactive-on-generator',
                        $inverter->id,
                    );
                    continue;
                }
                $at = $a->isUtilityLike() !== $b->isUtilityLike() ? ($a->isUtilityLike() ? $b : $a) : $b;
                $this->findings->raise($by === 'as-drawn' ? 'backfeed' : 'backfeed-breaker-only', $at->id);
                $list[] = [
                    'pair' => [$a->id, $b->id],
                    'by' => $by,
                    'positions' => array_map(static fn(array $map): object => (object) $map, $positions),
                ];
            }
        }

        return $list;
    }

    /**
     * @param list<array{Element, Element}>                              $pairs
     * @param callable(int): list<array<string, array<int, int>>> $reaches of a combination
     *
     * @return array<int, list<array<string, string>>> the positions in which a pair meets, by its place
     */
    private function meeting(array $pairs, callable $reaches): array
    {
        $meeting = [];
        foreach ($this->reach->combinations as $i => $positions) {
            $states = $reaches($i);
            foreach ($pairs as $place => [$a, $b]) {
                foreach ($states as $reached) {
                    if (isset(
                        $reached[$a->id][$this->network->nodes["$b->id.out"]],
                    ) || isset($reached[$b->id][$this->network->nodes["$a->id.out"]])) {
                        $meeting[$place][] = $positions;
                        break;
                    }
                }
            }
        }
        ksort($meeting);

        return $meeting;
    }

    /** @return list<array{open: list<string>, live: object}> */
    private function stillLive(): array
    {
        $sets = array_map(
            static fn(Device $device): array => [$device->ref],
            array_values(array_filter($this->drawing->devices, static fn(Device $device): bool => $device->kind !== 'breaker')),
        );

        return array_map(
            fn(array $open): array => ['open' => $open, 'live' => (object) $this->reach->liveWith($open)],
            [...$sets, ...$this->drawing->isolations],
        );
    }

    /** @param list<array{open: list<string>, live: object}> $stillLive */
    private function judgeService(array $stillLive): void
    {
        $service = array_filter($this->drawing->devices, static fn(Device $device): bool => $device->isService);
        foreach ($service as $device) {
            foreach ($stillLive as $one) {
                if ($one['open'] === [$device->ref]) {
                    /** @var array<string, list<string>> $live */
                    $live = (array) $one['live'];
                    $this->judgeOpened($device, $live);
                }
            }
        }
        $open = array_fill_keys(array_map(static fn(Device $device): string => $device->ref, $service), true);
        foreach ($this->reach->combinations as $positions) {
            $next = $this->network->neighbours($positions, $open);
            foreach ($this->drawing->sources as $source) {
                if ($source->isGrid()) {
                    $this->judgePastService($source, Network::reach($next, $this->network->nodes["$source->id.out"]));
                }
            }
        }
    }

    /**
     * What a service disconnect leaves live when it is opened.
     *
     * @param array<string, list<string>> $live sources by node
     */
    private function judgeOpened(Device $device, array $live): void
    {
        if (array_filter($live[$device->line] ?? [], fn(string $source): bool => $this->drawing->byId[$source]->isGrid()) !== []) {
            $this->findings->raise('topology/line-side-live', $device->ref);
        }
        foreach ($live as $node => $sources) {
            foreach ($sources as $source) {
                if ($this->drawing->byId[$source]->kind === 'generator' && ! str_starts_with((string) $node, "$source.")) {
                    $this->findings->raise('generator-still-feeds', $device->ref);
                }
            }
        }
    }

    /**
     * What a grid reaches with every service disconnect open.
     *
     * @param array<int, mixed> $reached by node
     */
    private function judgePastService(Element $source, array $reached): void
    {
        foreach ($this->drawing->elements as $e) {
            $node = match ($e->type) {
                'panel' => "$e->id.bus",
                'load' => "$e->id.in",
                'switch' => "$e->id.normal",
                default => null,
            };
            if ($node === null || ! isset($reached[$this->network->nodes[$node]])) {
                continue;
            }
            if ($e->type !== 'switch') {
                $this->findings->raise('no-service-disconnect', $source->id);
            } elseif (! $e->isServiceRated) {
                $this->findings->raise('switch-not-service-rated', $e->id);
            }
        }
    }

    private function judgePanels(): void
    {
        $service = array_values(array_filter($this->drawing->devices, static fn(Device $device): bool => $device->isService));
        foreach ($this->drawing->ofType('panel') as $panel) {
            $open = [];
            foreach ($service as $device) {
                if ($device->ref !== "$panel->id.main") {
                    $open[$device->ref] = true;
                }
            }
            if ($panel->role === 'main'
                && $this->reach->gridReaches("$panel->id.in")
                && ! $this->reach->gridReaches("$panel->id.in", $open)) {
                $this->findings->raise('panel-now-sub', $panel->id);
            }
        }
    }

    private function judgeOnGenerator(): void
    {
        foreach ($this->drawing->elements as $e) {
            if ($e->type !== 'capacitor' && $e->type !== 'ups') {
                continue;
            }
            foreach ($this->drawing->sources as $source) {
                if ($source->kind === 'generator' && $this->reach->everReaches($source->id, "$e->id.in")) {
                    $this->findings->raise($e->type === 'ups' ? 'ups-on-generator' : 'capacitor-on-generator', $e->id);
                }
            }
        }
    }

    /** @return list<string> */
    private function storedEnergy(): array
    {
        $ids = [];
        foreach ($this->drawing->elements as $e) {
            if (in_array($e->type, ['battery', 'capacitor', 'ups'], true)) {
                $ids[] = $e->id;
                $this->findings->raise('topology/stored-energy', $e->id);
            }
        }

        return $ids;
    }

    /** @return list<array<string, mixed>> */
    private function energyLoops(): array
    {
        $loops = [];
        $direct = Network::reach(...);
        $next = $this->network->neighbours([], null);
        foreach ($this->drawing->sources as $inverter) {
            foreach ($inverter->kind === 'inverter' ? $this->drawing->ofType('charger') : [] as $charger) {
                $dc = $direct($next, $this->network->nodes["$inverter->id.dc"]);
                if (in_array($inverter->id, $charger->inhibitedBy, true) || ! isset($dc[$this->network->nodes["$charger->id.dc"]])) {
                    continue;
                }
                $positions = [];
                foreach ($this->reach->combinations as $i => $combination) {
                    if (isset($this->reach->drawn[$i][$inverter->id][$this->network->nodes["$charger->id.in"]])) {
                        $positions[] = (object) $combination;
                    }
                }
                if ($positions !== []) {
                    $batteries = array_values(array_filter(
                        $this->drawing->ofType('battery'),
                        fn(Element $battery): bool => isset($dc[$this->network->nodes["$battery->id.dc"]]),
                    ));
                    $loops[] = [
                        'inverter' => $inverter->id,
                        'charger' => $charger->id,
                        'batteries' => array_map(static fn(Element $battery): string => $battery->id, $batteries),
                        'positions' => $positions,
                    ];
                    $this->findings->raise('energy-loop', $charger->id);
                }
            }
        }

        return $loops;
    }

    /**
     * @param array<string, list<string>> $loadSources
     *
     * @return array<string, array<string, float>>
     */
    private function phaseVa(array $loadSources): array
    {
        $phases = array_slice(['L1', 'L2', 'L3'], 0, $this->drawing->phases());
        $sums = [];
        foreach ($this->drawing->sources as $source) {
            $sums[$source->id] = array_fill_keys($phases, 0.0);
            foreach ($this->drawing->ofType('load') as $load) {
                if (in_array($source->id, $loadSources[$load->id], true)) {
                    foreach ($load->phases as $phase) {
                        $sums[$source->id][$phase] += $load->va / count($load->phases);
                    }
                }
            }
            $sums[$source->id] = array_map(static fn(float $va): float => round($va, 1), $sums[$source->id]);
        }

        return $sums;
    }
}
