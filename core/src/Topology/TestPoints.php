<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** Which device to open to prove a switch, and why the others prove nothing. Rule: docs/rules.md#topology. */
final readonly class TestPoints
{
    public function __construct(private OneLine $drawing, private Network $network, private PlacedFindings $findings) {}

    /** @return array{list<array<string, mixed>>, list<array<string, mixed>>} the points by rank, and the devices that are none */
    public function find(): array
    {
        $points = $others = [];
        $normal = array_fill_keys(array_map(static fn(Element $switch): string => $switch->id, $this->drawing->switches), 'normal');
        $before = $this->network->neighbours($normal, null);
        foreach ($this->drawing->switches as $switch) {
            $sensing = $this->network->nodes[$switch->mainA !== null
                && $switch->senseAt === 'after_main' ? "$switch->id.main_out" : "$switch->id.normal"];
            if (! $this->isLive($before, $sensing)) {
                $this->findings->raise('sensing-dead', $switch->id);
                continue;
            }
            [$found, $not] = $this->ofSwitch($switch, $sensing, $normal, $before);
            if ($found === []) {
                $this->findings->raise('no-outage-test-point', $switch->id);
            }
            array_push($points, ...$found);
            array_push($others, ...$not);
        }
        $planned = $this->drawing->plannedTestPoint;
        if ($planned !== null && ! in_array($planned, array_column($points, 'device'), true)) {
            $reason = array_column($others, 'reason', 'device')[$planned] ?? null;
            $this->findings->raise('test-point-not-outage', $planned, ['why' => OutageTestPoint::why(is_string($reason) ? $reason : '')]);
        }

        return [$points, $others];
    }

    /**
     * @param array<string, string> $normal
     * @param list<list<int>>       $before
     *
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>}
     */
    private function ofSwitch(Element $switch, int $sensing, array $normal, array $before): array
    {
        $behind = Network::reach(
            $this->network->neighbours(array_diff_key($normal, [$switch->id => true]), null, bothWays: true),
            $this->network->nodes["$switch->id.load"],
        );
        $hops = Network::reach($this->network->neighbours($normal, null, bothWays: true), $sensing);
        $fedBefore = $this->fed($before);
        $found = $not = [];
        foreach ($this->drawing->devices as $place => $device) {
            if (! $device->isClosed) {
                continue;
            }
            $after = $this->network->drawnWithout($normal, $device->ref);
            [$line, $load] = [$this->network->nodes[$device->line], $this->network->nodes[$device->load]];
            $reason = match (true) {
                $this->isLive($after, $sensing) => isset($behind[$line], $behind[$load]) ? 'downstream-of-switch' : 'not-in-sensing-path',
                $device->kind === 'disconnect' && ! $device->element->breaksLoad => 'not-load-break',
                default => null,
            };
            if ($reason !== null) {
                $not[] = ['switch' => $switch->id, 'device' => $device->ref, 'reason' => $reason];
                continue;
            }
            $found[] = [
                'place' => $place,
                'device' => $device->ref,
                'hops' => min($hops[$line] ?? PHP_INT_MAX, $hops[$load] ?? PHP_INT_MAX),
                'lost' => $this->lost($fedBefore, $this->fed($after), $behind),
            ];
        }

        return [self::ranked($switch, $found), $not];
    }

    /**
     * @param array<int, int> $before nodes that are fed
     * @param array<int, int> $after  nodes that are fed once it is open
     * @param array<int, int> $behind nodes behind the switch, which go dark in any case
     *
     * @return list<string> loads that lose their supply elsewhere
     */
    private function lost(array $before, array $after, array $behind): array
    {
        $lost = [];
        foreach ($this->drawing->ofType('load') as $load) {
            $node = $this->network->nodes["$load->id.in"];
            if (isset($before[$node]) && ! isset($after[$node]) && ! isset($behind[$node])) {
                $lost[] = $load->id;
            }
        }

        return $lost;
    }

    /**
     * Fewest loads lost elsewhere first, then nearest to the sensing, then as drawn.
     *
     * @param list<array{place: int, device: string, hops: int, lost: list<string>}> $found
     *
     * @return list<array{switch: string, rank: int, device: string, hops: int, loads_lost_elsewhere: list<string>}>
     */
    private static function ranked(Element $switch, array $found): array
    {
        usort($found, static fn(array $a, array $b): int => [count($a['lost']), $a['hops'], $a['place']]
            <=> [count($b['lost']), $b['hops'], $b['place']]);

        return array_map(static fn(array $point, int $i): array => [
            'switch' => $switch->id,
            'rank' => $i + 1,
            'device' => $point['device'],
            'hops' => $point['hops'],
            'loads_lost_elsewhere' => $point['lost'],
        ], $found, array_keys($found));
    }

    /** @param list<list<int>> $next */
    private function isLive(array $next, int $node): bool
    {
        foreach ($this->drawing->sources as $source) {
            if (! $source->isGridInteractive && isset(Network::reach($next, $this->network->nodes["$source->id.out"])[$node])) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<list<int>> $next
     *
     * @return array<int, int> the nodes that any source reaches
     */
    private function fed(array $next): array
    {
        $fed = [];
        foreach ($this->drawing->sources as $source) {
            $fed += Network::reach($next, $this->network->nodes["$source->id.out"]);
        }

        return $fed;
    }
}
