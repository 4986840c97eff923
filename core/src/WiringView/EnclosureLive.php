<?php

declare(strict_types=1);

namespace Escapement\Core\WiringView;

use Escapement\Core\Topology\Device;
use Escapement\Core\Topology\ReachMap;

/** What is live at the ports of an enclosure. Rule: docs/rules.md#wiring-view. */
final readonly class EnclosureLive
{
    private ReachMap $reach;

    public function __construct(private WiringViewInput $in)
    {
        $this->reach = new ReachMap($in->drawing);
    }

    /** @return list<LiveInPosition> as drawn, all sources running */
    public function inPositions(): array
    {
        $all = [];
        foreach ($this->reach->combinations as $i => $positions) {
            $live = [];
            foreach ($this->in->enclosure->ports() as $port) {
                $node = $this->reach->network->nodes["{$this->in->enclosure->id}.$port"];
                foreach ($this->reach->drawn[$i] as $source => $reached) {
                    if (isset($reached[$node])) {
                        $live[$port][] = $source;
                    }
                }
            }
            $all[] = new LiveInPosition($positions, $live);
        }

        return $all;
    }

    /** @return list<LiveWithOpen> pessimistic, for each device that matters here */
    public function withOpen(): array
    {
        $all = [];
        foreach ($this->in->drawing->devices as $device) {
            if ($device->kind !== 'breaker' || $device->element === $this->in->enclosure || $this->feeds($device)) {
                $all[] = new LiveWithOpen($device->ref, $this->live([$device->ref]));
            }
        }

        return $all;
    }

    /** @return array<string, list<string>> sources by port with all devices of the enclosure open */
    public function withAllOpen(): array
    {
        $own = array_filter($this->in->drawing->devices, fn(Device $device): bool => $device->element === $this->in->enclosure);

        return $this->live(array_values(array_map(static fn(Device $device): string => $device->ref, $own)));
    }

    /** Whether a breaker elsewhere is linked with the enclosure. */
    private function feeds(Device $device): bool
    {
        foreach ($this->in->drawing->links as $link) {
            $ends = [$link->from(), $link->to()];
            if (in_array($device->ref, $ends, true) && in_array($this->in->enclosure->id, [$link->fromId, $link->toId], true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<string> $open
     *
     * @return array<string, list<string>>
     */
    private function live(array $open): array
    {
        $nodes = $this->reach->liveWith($open);
        $live = [];
        foreach ($this->in->enclosure->ports() as $port) {
            $sources = $nodes["{$this->in->enclosure->id}.$port"] ?? [];
            if ($sources !== []) {
                $live[$port] = $sources;
            }
        }

        return $live;
    }
}
