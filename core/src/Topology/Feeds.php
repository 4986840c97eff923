<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** What protects a node: the devices upstream of it, by rating only. Rule: docs/rules.md#topology. */
final readonly class Feeds
{
    /** @var array<string, list<string>> where the links into a node come from, in link order */
    private array $into;

    public function __construct(private OneLine $drawing)
    {
        $into = [];
        foreach ($drawing->links as $link) {
            $into[$link->to()][] = $link->from();
        }
        $this->into = $into;
    }

    public function hasLink(string $node): bool
    {
        return isset($this->into[$node]);
    }

    /**
     * @param array<string, true> $visited
     *
     * @return list<array{string, int|float|null}> reference and rating, null where it is not known
     */
    public function up(string $node, array $visited = []): array
    {
        $feeds = [];
        foreach ($this->into[$node] ?? [] as $from) {
            if (! isset($visited[$from])) {
                array_push($feeds, ...$this->of($from, $visited + [$from => true]));
            }
        }

        return $feeds;
    }

    /**
     * @param array<string, true> $visited
     *
     * @return list<array{string, int|float|null}>
     */
    public function panel(Element $panel, array $visited = []): array
    {
        $feeds = $panel->mainA !== null ? [["$panel->id.main", $panel->mainA]] : $this->up("$panel->id.in", $visited);
        foreach ($panel->breakers as $breaker) {
            if ($this->isBackFed($panel, $breaker->id)) {
                $feeds[] = ["$panel->id.$breaker->id", $breaker->ratingA];
            }
        }

        return [...$feeds, ...$this->up("$panel->id.bus", $visited)];
    }

    public function isBackFed(Element $panel, string $breaker): bool
    {
        return isset($this->into["$panel->id.$breaker"]);
    }

    /**
     * @param array<string, true> $visited
     *
     * @return list<array{string, int|float|null}>
     */
    private function of(string $from, array $visited): array
    {
        [$id, $port] = explode('.', $from, 2);
        $e = $this->drawing->byId[$id];
        switch ($e->type) {
            case 'source':
                return [[$id, $e->breakerA]];
            case 'switch':
                $normal = $e->mainA !== null ? [["$id.main", $e->mainA]] : $this->up("$id.normal", $visited);

                return [...$normal, ...$this->up("$id.emergency", $visited)];
            case 'panel':
                foreach ($e->breakers as $breaker) {
                    if ($breaker->id === $port) {
                        return [["$id.$port", $breaker->ratingA]];
                    }
                }

                return $this->panel($e, $visited);
            case 'disconnect':
                return $e->ratingA !== null ? [[$id, $e->ratingA]] : $this->up("$id.in", $visited);
            default:
                return $this->up("$id.in", $visited);
        }
    }
}
