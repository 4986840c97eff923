<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * Where everything stands on the drawing: sources on top, power flowing down, each element below what feeds it.
 * Rule: docs/rules.md#one-line-layout.
 */
final class OneLineLayout
{
    /** @var list<Link> that lead down */
    private array $accepted = [];
    /** @var array<int, bool> by link */
    private array $isBack = [];
    /** @var array<string, int> */
    private array $rows = [];
    /** @var array<string, int> */
    private array $columns = [];
    private int $nextColumn = 0;
    /** @var array<string, list<string>> by their main parent */
    private array $children = [];

    private function __construct(private readonly OneLine $drawing) {}

    public static function of(OneLine $drawing): self
    {
        $layout = new self($drawing);
        $layout->sortLinks();
        foreach ($drawing->elements as $element) {
            $layout->rows[$element->id] = $layout->row($element->id);
        }
        $roots = $layout->findParents();
        foreach ($roots as $root) {
            $layout->placeColumn($root);
        }

        return $layout;
    }

    public function answer(): PlacedAnswer
    {
        $findings = new PlacedFindings();
        foreach ($this->drawing->elements as $e) {
            $isLinked = array_filter(
                $this->drawing->links,
                static fn(Link $link): bool => $link->fromId === $e->id || $link->toId === $e->id,
            ) !== [];
            if (! $isLinked) {
                $findings->raise('unconnected', $e->id);
            } elseif ($this->rows[$e->id] === 0 && $e->type !== 'source' && $e->type !== 'battery') {
                $findings->raise('no-feed', $e->id);
            }
        }
        $cells = array_map(
            fn(Element $e): array => ['id' => $e->id, 'row' => $this->rows[$e->id], 'column' => $this->columns[$e->id]],
            $this->drawing->elements,
        );

        return new PlacedAnswer([
            'rows' => 1 + max([0, ...array_values($this->rows)]),
            'columns' => 1 + max([0, ...array_values($this->columns)]),
            'cells' => $cells,
            'edges' => $this->edges(),
        ], $findings->all(), [sprintf('%d links lead down, %d back', count($this->accepted), count(array_filter($this->isBack)))]);
    }

    /** @return array{int, int} row, column */
    public function cell(string $id): array
    {
        return [$this->rows[$id], $this->columns[$id]];
    }

    private function sortLinks(): void
    {
        foreach ($this->drawing->links as $i => $link) {
            $this->isBack[$i] = $this->drawing->byId[$link->toId]->type === 'source' || $this->leads($link->toId, $link->fromId);
            if (! $this->isBack[$i]) {
                $this->accepted[] = $link;
            }
        }
    }

    /** Whether one element leads to another through the links accepted so far. */
    private function leads(string $from, string $to): bool
    {
        $seen = [$from => true];
        $front = [$from];
        while ($front !== []) {
            $id = array_pop($front);
            if ($id === $to) {
                return true;
            }
            foreach ($this->accepted as $link) {
                if ($link->fromId === $id && ! isset($seen[$link->toId])) {
                    $seen[$link->toId] = true;
                    $front[] = $link->toId;
                }
            }
        }

        return false;
    }

    private function row(string $id): int
    {
        if (isset($this->rows[$id])) {
            return $this->rows[$id];
        }
        $row = 0;
        foreach ($this->accepted as $link) {
            if ($link->toId === $id) {
                $row = max($row, 1 + $this->row($link->fromId));
            }
        }

        return $this->rows[$id] = $row;
    }

    /** @return list<string> the elements without a parent, in their order */
    private function findParents(): array
    {
        $parents = [];
        foreach ($this->accepted as $link) {
            $isNormal = $this->drawing->byId[$link->toId]->type === 'switch' && $link->toPort === 'normal';
            if (! isset($parents[$link->toId]) || $isNormal && $parents[$link->toId]->toPort !== 'normal') {
                $parents[$link->toId] = $link;
            }
        }
        foreach ($this->accepted as $link) {
            if ($parents[$link->toId] === $link) {
                $this->children[$link->fromId][] = $link->toId;
            }
        }

        return array_values(array_filter(
            array_map(static fn(Element $e): string => $e->id, $this->drawing->elements),
            static fn(string $id): bool => ! isset($parents[$id]),
        ));
    }

    private function placeColumn(string $id): void
    {
        $children = $this->children[$id] ?? [];
        foreach ($children as $child) {
            $this->placeColumn($child);
        }
        $this->columns[$id] = $children === [] ? $this->nextColumn++ : $this->columns[$children[0]];
    }

    /** @return list<array<string, mixed>> in the order in which they are routed */
    private function edges(): array
    {
        $edges = [];
        foreach ($this->drawing->links as $i => $link) {
            $edges[] = [
                'link' => $i,
                'from' => $link->from(),
                'to' => $link->to(),
                'from_cell' => $this->cell($link->fromId),
                'to_cell' => $this->cell($link->toId),
                'back' => $this->isBack[$i],
            ];
        }
        usort(
            $edges,
            static fn(array $a, array $b): int => [
                $a['back'],
                $a['from_cell'],
                $a['to_cell'],
                $a['link'],
            ] <=> [$b['back'], $b['from_cell'], $b['to_cell'], $b['link']],
        );

        return $edges;
    }
}
