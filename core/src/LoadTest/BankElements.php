<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

/**
 * The elements of a load bank that reach a power with the least surplus: of equal sums the fewest elements, then the first ones.
 * Each half of the bank is tried out whole, and for each set of the first half the least that is enough of the second.
 * Rule: docs/rules.md#load-test-plan.
 */
final readonly class BankElements
{
    /** @var list<int> */
    public array $watts;
    private int $half;
    /** @var list<array{int, list<int>}> sum and indices, by sum, the best of equal sums only */
    private array $second;

    /** @param list<float> $kw */
    public function __construct(array $kw)
    {
        $this->watts = array_map(static fn(float $one): int => (int) floor(1000 * $one + 0.5), $kw);
        $this->half = intdiv(count($kw), 2);
        $best = [];
        foreach (self::subsets($this->watts, $this->half, count($kw)) as [$sum, $set]) {
            if (! isset($best[$sum]) || self::comesFirst($set, $best[$sum])) {
                $best[$sum] = $set;
            }
        }
        ksort($best);
        $this->second = array_map(static fn(int $sum, array $set): array => [$sum, $set], array_keys($best), array_values($best));
    }

    /** @return list<int> indices; all of them where all together are not enough */
    public function reaching(int $watts): array
    {
        if ($watts <= 0) {
            return [];
        }
        $best = null;
        foreach (self::subsets($this->watts, 0, $this->half) as [$sum, $set]) {
            $other = $this->least($watts - $sum);
            if ($other === null) {
                continue;
            }
            $total = $sum + $other[0];
            $both = [...$set, ...$other[1]];
            if ($best === null || $total < $best[0] || $total === $best[0] && self::comesFirst($both, $best[1])) {
                $best = [$total, $both];
            }
        }

        return $best[1] ?? array_keys($this->watts);
    }

    /** @param list<int> $elements */
    public function kwOf(array $elements): float
    {
        return array_sum(array_map(fn(int $i): int => $this->watts[$i], $elements)) / 1000;
    }

    /** @return null|array{int, list<int>} the least sum of the second half that is enough */
    private function least(int $watts): ?array
    {
        $low = 0;
        $high = count($this->second);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->second[$middle][0] < $watts) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $this->second[$low] ?? null;
    }

    /**
     * @param list<int> $watts
     *
     * @return list<array{int, list<int>}>
     */
    private static function subsets(array $watts, int $from, int $to): array
    {
        $sets = [[0, []]];
        for ($i = $from; $i < $to; $i++) {
            foreach ($sets as [$sum, $set]) {
                $sets[] = [$sum + $watts[$i], [...$set, $i]];
            }
        }

        return $sets;
    }

    /**
     * @param list<int> $a
     * @param list<int> $b
     */
    private static function comesFirst(array $a, array $b): bool
    {
        return count($a) !== count($b) ? count($a) < count($b) : $a < $b;
    }
}
