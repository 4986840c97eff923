<?php

declare(strict_types=1);

namespace Escapement\Core\Power;

/**
 * The heaviest set of items that fits several limits at once, exactly, and of equally heavy ones that whose list of what
 * is left off comes first. Rule: docs/rules.md#shed-plan.
 *
 * Branch and bound in two steps: first the greatest weight, then, id by id, whether that weight can still be had with
 * this one left off. The bound is the least of what divisible items would add under each limit.
 */
final class BestSet
{
    public const SLACK = 1e-6;

    /** @var list<int> items in the order of the search */
    private array $order = [];
    /** @var list<list<int>> per limit, the items by weight for what they take of it */
    private array $byLimit = [];
    /** @var array<int, list<int>> of each item, those that weigh no more and need no less under any limit */
    private array $dominated = [];
    private int $best = -1;
    private int $branches = 0;
    /** @var array<int, list<float>> */
    private readonly array $needs;
    /** @var list<float> */
    private readonly array $room;
    private int $target = PHP_INT_MAX;
    /** @var array<int, true> what the answer at hand carries of the items that were not decided when it was found */
    private array $carried = [];
    /** @var array<int, true> items whose fate is decided */
    private array $decided = [];

    /**
     * @param list<string>      $ids
     * @param list<int>         $weights
     * @param list<list<float>> $needs   of each item, one a limit
     * @param list<float>       $room    what each limit leaves
     * @param list<string>      $always  ids that are left off in any case: part of the list that settles ties
     */
    public function __construct(
        private readonly array $ids,
        private readonly array $weights,
        array $needs,
        array $room,
        private readonly array $always,
    ) {
        $items = array_keys($ids);
        // All limits together are a limit too, and often the one that bounds: a set that fits each share fits their sum.
        foreach ($items as $i) {
            $needs[$i][] = array_sum(array_map(static fn(float $need, float $all): float => $need / max($all, 1.0), $needs[$i], $room));
        }
        $room[] = array_sum(array_map(static fn(float $all): float => ($all + self::SLACK) / max($all, 1.0), $room));
        $this->needs = $needs;
        $this->room = $room;
        foreach (array_keys($room) as $k) {
            $sorted = $items;
            usort($sorted, static fn(int $a, int $b): int => $needs[$a][$k] * $weights[$b] <=> $needs[$b][$k] * $weights[$a]);
            $this->byLimit[] = $sorted;
        }
        $shares = [];
        foreach ($items as $i) {
            $most = max([
                0.0, ...array_map(static fn(float $need, float $all): float => $need / max($all, self::SLACK), $needs[$i], $room),
            ]);
            $shares[] = $most > 0 ? $weights[$i] / $most : INF;
        }
        usort($items, static fn(int $a, int $b): int => $shares[$b] <=> $shares[$a]);
        $this->order = $items;
        foreach ($items as $place => $i) {
            $this->dominated[$i] = array_values(array_filter(
                array_slice($items, $place + 1),
                fn(int $j): bool => $weights[$j] <= $weights[$i] && $this->needsNoLess($j, $i),
            ));
        }
    }

    private function needsNoLess(int $item, int $than): bool
    {
        foreach ($this->needs[$item] as $k => $need) {
            if ($need < $this->needs[$than][$k]) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> what is left off, sorted */
    public function shed(): array
    {
        $most = $this->heaviest($this->room, 0, PHP_INT_MAX);
        $names = [...$this->ids, ...$this->always];
        sort($names, SORT_STRING);
        $items = array_flip($this->ids);
        $forcedLeft = count($this->always);
        $shed = [];
        $room = $this->room;
        $weight = 0;
        foreach ($names as $name) {
            if (! isset($items[$name])) {
                $shed[] = $name;
                $forcedLeft--;
                continue;
            }
            $item = $items[$name];
            if ($forcedLeft === 0 && $this->carriesAllTheRest($room)) {
                break;
            }
            $this->decided[$item] = true;
            // the answer at hand does without it, or another one can
            if (! isset($this->carried[$item]) || $this->heaviest($room, $weight, $most) >= $most) {
                $shed[] = $name;
                continue;
            }
            $weight += $this->weights[$item];
            foreach ($this->needs[$item] as $k => $need) {
                $room[$k] -= $need;
            }
        }

        return $shed;
    }

    /** How many branches were looked at. */
    public function branches(): int
    {
        return $this->branches;
    }

    /** @param array<int, float> $room */
    private function carriesAllTheRest(array $room): bool
    {
        foreach ($this->order as $item) {
            if (! isset($this->decided[$item])) {
                foreach ($this->needs[$item] as $k => $need) {
                    $room[$k] -= $need;
                }
            }
        }

        return min([INF, ...$room]) >= -self::SLACK;
    }

    /**
     * The greatest weight with the items that are not decided yet; stops as soon as the target is reached.
     *
     * @param array<int, float> $room
     */
    private function heaviest(array $room, int $weight, int $target): int
    {
        $before = $this->carried;
        $this->best = -1;
        $this->target = $target;
        $this->branch(0, $weight, $room, $this->decided, []);
        if ($target < PHP_INT_MAX && $this->best < $target) {
            $this->carried = $before; // no answer: the one at hand stays
        }

        return $this->best;
    }

    /**
     * @param array<int, float> $room
     * @param array<int, true>  $done
     * @param array<int, true>  $carried
     */
    private function branch(int $depth, int $weight, array $room, array $done, array $carried): void
    {
        $this->branches++;
        while (isset($this->order[$depth]) && isset($done[$this->order[$depth]])) {
            $depth++;
        }
        if ($weight > $this->best) {
            $this->best = $weight; // everything else left off is an answer too
            $this->carried = $carried;
        }
        if (! isset($this->order[$depth]) || $this->best >= $this->target) {
            return;
        }
        if ($this->isHopeless($room, $done, max($this->best + 1, $this->target === PHP_INT_MAX ? 0 : $this->target) - $weight)) {
            return;
        }
        $item = $this->order[$depth];
        $done[$item] = true;
        $left = $room;
        $fits = true;
        foreach ($this->needs[$item] as $k => $need) {
            $left[$k] -= $need;
            $fits = $fits && $left[$k] >= -self::SLACK;
        }
        if ($fits) {
            $this->branch($depth + 1, $weight + $this->weights[$item], $left, $done, $carried + [$item => true]);
        }
        // An item that weighs no more and needs no less could change places with this one: where it is left off, they are too.
        foreach ($this->dominated[$item] as $worse) {
            $done[$worse] = true;
        }
        $this->branch($depth + 1, $weight, $room, $done, $carried);
    }

    /**
     * Whether, were the items divisible, some limit would still keep them from adding this weight. All limits together
     * come first: that one mostly decides.
     *
     * @param array<int, float> $room
     * @param array<int, true>  $done
     */
    private function isHopeless(array $room, array $done, int $wanted): bool
    {
        for ($k = count($this->byLimit) - 1; $k >= 0; $k--) {
            $left = $room[$k] + self::SLACK;
            $sum = 1e-6;
            foreach ($this->byLimit[$k] as $item) {
                if (isset($done[$item])) {
                    continue;
                }
                $need = $this->needs[$item][$k];
                if ($need > $left) {
                    $sum += $this->weights[$item] * $left / $need;
                    break;
                }
                $left -= $need;
                $sum += $this->weights[$item];
                if ($sum >= $wanted) {
                    continue 2; // this limit does not keep them
                }
            }
            if ($sum < $wanted) {
                return true;
            }
        }

        return false;
    }
}
