<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/**
 * Every assignment of the movable ways by the sums that it puts on the legs: for each pair of sums the fewest moves, and of these the
 * places that come first. The third leg follows, because every way puts the same on the three together.
 */
final readonly class ExactBalance
{
    private const CHOICES = 3;

    /** @var array<int, int> by sums: moves and places as one number */
    private array $table;
    private int $codes;
    private int $total;
    /** More than any leg can carry: the sums on two legs as one number, close together, so that a table of them has few collisions. */
    private int $base;

    /**
     * @param array{int, int, int} $fixed  on the legs by what does not move
     * @param list<PanelWay>       $ways   that move
     */
    public function __construct(private array $fixed, private array $ways)
    {
        $this->codes = self::CHOICES ** count($ways);
        $total = array_sum($fixed);
        foreach ($ways as $way) {
            $total += $way->planA() * count(PanelWay::legs($way->connect));
        }
        $this->total = $total;
        $this->base = $total + 1;
        $table = [$fixed[0] * $this->base + $fixed[1] => 0];
        $lightestFirst = $ways; // so that the tables stay small as long as they can
        uasort($lightestFirst, static fn(PanelWay $one, PanelWay $other): int => $one->planA() <=> $other->planA());
        foreach ($lightestFirst as $place => $way) {
            $weight = intdiv($this->codes, self::CHOICES ** ($place + 1)); // what stands first on the board weighs most in the code
            $next = [];
            foreach ($way->options() as $option => $connect) {
                $legs = PanelWay::legs($connect);
                $step = $way->planA() * ((in_array(0, $legs, true) ? $this->base : 0) + (in_array(1, $legs, true) ? 1 : 0));
                $more = ($connect === $way->connect ? 0 : $this->codes) + $option * $weight;
                foreach ($table as $sums => $value) {
                    $sums += $step;
                    $value += $more;
                    if ($value < ($next[$sums] ?? PHP_INT_MAX)) {
                        $next[$sums] = $value;
                    }
                }
            }
            $table = $next;
        }
        $this->table = $table;
    }

    /** Least spread, then fewest moves, then the places that come first. */
    public function optimum(): Assignment
    {
        $least = $best = PHP_INT_MAX;
        $at = null;
        foreach ($this->table as $sums => $value) {
            $spread = $this->spread($sums);
            if ($spread < $least || $spread === $least && $value < $best) {
                [$least, $best, $at] = [$spread, $value, $sums];
            }
        }

        return $at === null ? throw new \LogicException('There is always an assignment.') : $this->assignment($at);
    }

    /** Fewest moves that reach the target, then least spread; null when none does. */
    public function fewest(float $targetPct): ?Assignment
    {
        $least = $best = $fewest = PHP_INT_MAX;
        $at = null;
        foreach ($this->table as $sums => $value) {
            $moves = intdiv($value, $this->codes);
            if ($moves > $fewest) {
                continue;
            }
            $spread = $this->spread($sums);
            $isBetter = $moves < $fewest || $spread < $least || $spread === $least && $value < $best;
            if ($isBetter && Assignment::isWithin($this->legs($sums), $targetPct)) {
                [$fewest, $least, $best, $at] = [$moves, $spread, $value, $sums];
            }
        }

        return $at === null ? null : $this->assignment($at);
    }

    /** @return list<array{moves: int, spread_a: int}> the least spread by moves, where it is below all earlier ones */
    public function frontier(): array
    {
        $least = [];
        foreach ($this->table as $sums => $value) {
            $moves = intdiv($value, $this->codes);
            $spread = $this->spread($sums);
            if ($spread < ($least[$moves] ?? PHP_INT_MAX)) {
                $least[$moves] = $spread;
            }
        }
        ksort($least);
        $frontier = [];
        foreach ($least as $moves => $spread) {
            if ($frontier === [] || $spread < $frontier[count($frontier) - 1]['spread_a']) {
                $frontier[] = ['moves' => $moves, 'spread_a' => $spread];
            }
        }

        return $frontier;
    }

    private function spread(int $sums): int
    {
        $first = intdiv($sums, $this->base);
        $second = $sums % $this->base;
        $third = $this->total - $first - $second;

        return max($first, $second, $third) - min($first, $second, $third);
    }

    /** @return array{int, int, int} */
    private function legs(int $sums): array
    {
        $first = intdiv($sums, $this->base);
        $second = $sums % $this->base;

        return [$first, $second, $this->total - $first - $second];
    }

    private function assignment(int $sums): Assignment
    {
        $value = $this->table[$sums];
        $code = $value % $this->codes;
        $places = [];
        foreach (array_reverse($this->ways) as $way) {
            array_unshift($places, $way->options()[$code % self::CHOICES]);
            $code = intdiv($code, self::CHOICES);
        }

        return new Assignment($places, $this->legs($sums), intdiv($value, $this->codes));
    }
}
