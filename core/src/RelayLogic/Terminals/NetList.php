<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Terminals;

/** Points that are one potential. Nets are made, given points, and joined. Rule: docs/rules.md#terminal-list. */
final class NetList
{
    /** @var array<int, int> the net that each one was joined into; itself when none */
    private array $joined = [];

    /** @var array<int, string> by net as it was made */
    private array $names = [];

    /** @var list<array{int, string}> net and point, in the order made */
    private array $points = [];

    public function make(?string $name = null): int
    {
        $net = count($this->joined);
        $this->joined[] = $net;
        if ($name !== null) {
            $this->names[$net] = $name;
        }

        return $net;
    }

    public function add(int $net, string $point): void
    {
        $this->points[] = [$net, $point];
    }

    /** The one made first stays. */
    public function join(int $a, int $b): void
    {
        [$a, $b] = [$this->root($a), $this->root($b)];
        $this->joined[max($a, $b)] = min($a, $b);
        if (isset($this->names[max($a, $b)])) {
            $this->names[min($a, $b)] ??= $this->names[max($a, $b)];
        }
    }

    public function root(int $net): int
    {
        while ($this->joined[$net] !== $net) {
            $net = $this->joined[$net];
        }

        return $net;
    }

    public function call(int $net, string $name): void
    {
        $this->names[$this->root($net)] ??= $name;
    }

    public function name(int $net): ?string
    {
        return $this->names[$this->root($net)] ?? null;
    }

    /** @return list<string> each once, in the order made */
    public function pointsOf(int $net): array
    {
        $root = $this->root($net);
        $mine = array_filter($this->points, fn(array $one): bool => $this->root($one[0]) === $root);

        return array_values(array_unique(array_column($mine, 1)));
    }

    /** @return list<string> points that stand in two nets */
    public function torn(): array
    {
        $nets = [];
        foreach ($this->points as [$net, $point]) {
            $nets[$point][$this->root($net)] = true;
        }

        return array_map(strval(...), array_keys(array_filter($nets, static fn(array $roots): bool => count($roots) > 1)));
    }
}
