<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** Is everything smaller protected by something no larger, by rating only. Rule: docs/rules.md#topology. */
final readonly class Coordination
{
    private Feeds $feeds;

    public function __construct(private OneLine $drawing, private PlacedFindings $findings)
    {
        $this->feeds = new Feeds($drawing);
    }

    /** @return list<array{at: string, upstream: list<string>, upstream_a: int|float|null, rating_a: int|float|null, ok: bool}> */
    public function entries(): array
    {
        $entries = [];
        foreach ($this->drawing->elements as $e) {
            if ($e->type === 'switch') {
                foreach (['normal', 'emergency'] as $port) {
                    if (! $this->feeds->hasLink("$e->id.$port")) {
                        $this->findings->raise('port-unconnected', "$e->id.$port");
                        continue;
                    }
                    $feeds = $port === 'normal' && $e->mainA !== null ? [["$e->id.main", $e->mainA]] : $this->feeds->up("$e->id.$port");
                    $entries[] = $this->entry("$e->id.$port", $e, $feeds, 'switch-underrated');
                }
            } elseif ($e->type === 'panel') {
                $entries[] = $this->entry($e->id, $e, $this->feeds->panel($e), 'panel-bus-underrated');
            } elseif ($e->type === 'inlet') {
                $entries[] = $this->entry($e->id, $e, $this->feeds->up("$e->id.in"), 'inlet-underrated');
            }
        }
        $this->judgeDevices();

        return $entries;
    }

    /**
     * @param list<array{string, int|float|null}> $feeds
     *
     * @return array{at: string, upstream: list<string>, upstream_a: int|float|null, rating_a: int|float|null, ok: bool}
     */
    private function entry(string $at, Element $e, array $feeds, string $underrated): array
    {
        $ratings = array_column($feeds, 1);
        $known = array_values(array_filter($ratings, static fn(int|float|null $a): bool => $a !== null));
        $upstreamA = $known === [] ? null : max($known);
        $isAllKnown = $feeds !== [] && count($known) === count($ratings);
        if ($upstreamA !== null && $upstreamA > $e->ratingA) {
            $this->findings->raise($underrated, $e->id);
        }
        if (! $isAllKnown) {
            $this->findings->raise('no-upstream-ocpd', $at);
        }

        return [
            'at' => $at,
            'upstream' => array_values(array_unique(array_column($feeds, 0))),
            'upstream_a' => $upstreamA,
            'rating_a' => $e->ratingA,
            'ok' => $isAllKnown && $upstreamA !== null && $upstreamA <= $e->ratingA,
        ];
    }

    private function judgeDevices(): void
    {
        foreach ($this->drawing->devices as $device) {
            $e = $device->element;
            if ($device->ratingA === null) {
                continue;
            }
            if ($device->kind === 'breaker' && $device->ratingA > $e->ratingA) {
                $this->findings->raise('breaker-over-bus', $device->ref);
            }
            $parents = match ($device->kind) {
                'disconnect', 'panel-main' => $this->feeds->up("$e->id.in"),
                'switch-main' => $this->feeds->up("$e->id.normal"),
                default => $this->feeds->isBackFed($e, substr($device->ref, strlen($e->id) + 1)) ? [] : $this->feeds->panel($e),
            };
            foreach ($parents as [, $ratingA]) {
                if ($ratingA !== null && $ratingA <= $device->ratingA) {
                    $this->findings->raise('topology/selectivity-doubtful', $device->ref);
                }
            }
        }
    }
}
