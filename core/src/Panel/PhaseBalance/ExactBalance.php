<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/**
 * Every assignment of the movable ways by the sums that it puts on the legs: for each pair of sums the fewest moves, and of these the
 * places that come first. The third leg follows, because every way puts the same on the three together.
 */
final readonly class ExactBalance
{
    private const BASE = 1 << 20;
    private const CHOICES = 3;

    /** @var array<int, int> by sums: moves and places as one number */
    private array $table;
    private int $codes;
    private int $total;

    /**
     * @param array{int, int, int} $fixed  on the legs by what does not move
     * @param list<PanelWay>       $ways   that move
     */
    public function __construct(private array $fixed, private array $ways)
    {
        $this->codes = self::CHOICES ** count($ways);
        $table = [$fixed[0] * self::BASE + $fixed[1] => 0];
        $total = array_sum($fixed);
        $scale = 1;
        foreach ($ways as $way) {
            $next = [];
            $total += $way->planA() * count(PanelWay::legs($way->connect));
            foreach ($way->options() as $option => $place) {
                $legs = PanelWay::legs($place);
                $step = $way->planA() * ((in_array(0, $legs, true) ? self::BASE : 0) + (in_array(1, $legs, true) ? 1 : 0));
                $cost = $place === $way->connect ? 0 : $this->codes;
                foreach ($table as $sums => $value) {
                    // the code grows from the left: what was chosen first weighs most
                    $moves = intdiv($value, $this->codes) * $this->codes;
                    $coded = $moves + $cost + ($value - $moves) * self::CHOICES + $option;
                    $key = $sums + $step;
                    if (! isset($next[$key]) || $coded < $next[$key]) {
                        $next[$key] = $coded;
                    }
                }
            }
            $table = $next;
            $scale *= self::CHOICES;
        }
        $this->table = $table;
        $this->total = $total;
    }

    /** Least spread, then fewest moves, then the places that come first. */
    public function optimum(): Assignment
    {
        return $this->best(static fn(array $legs, int $value): array => [max($legs) - min($legs), $value])
            ?? throw new \LogicException('There is always an assignment.');
    }

    /** Fewest moves that reach the target; null when none does. */
    public function fewest(float $targetPct): ?Assignment
    {
        return $this->best(fn(array $legs, int $value): ?array => Assignment::isWithin($legs, $targetPct)
            ? [intdiv($value, $this->codes), max($legs) - min($legs), $value] : null);
    }

    /** @return list<array{moves: int, spread_a: int}> the least spread by moves, where it is below all earlier ones */
    public function frontier(): array
    {
        $least = [];
        foreach ($this->table as $sums => $value) {
            $legs = $this->legs($sums);
            $moves = intdiv($value, $this->codes);
            $least[$moves] = min($least[$moves] ?? PHP_INT_MAX, max($legs) - min($legs));
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

    /** @param \Closure(array{int, int, int}, int): ?list<int> $rank null: does not count */
    private function best(\Closure $rank): ?Assignment
    {
        $best = $at = null;
        foreach ($this->table as $sums => $value) {
            $one = $rank($this->legs($sums), $value);
            if ($one !== null && ($best === null || $one < $best)) {
                [$best, $at] = [$one, $sums];
            }
        }

        return $at === null ? null : $this->assignment($at);
    }

    /** @return array{int, int, int} */
    private function legs(int $sums): array
    {
        $first = intdiv($sums, self::BASE);
        $second = $sums % self::BASE;

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
