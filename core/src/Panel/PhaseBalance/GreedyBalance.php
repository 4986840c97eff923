<?php

declare(strict_types=1);

namespace Escapement\Core\Panel\PhaseBalance;

/** A good assignment where there are too many ways to try all of them. Rule: docs/rules.md#phase-balance. */
final readonly class GreedyBalance
{
    /**
     * @param array{int, int, int} $fixed on the legs by what does not move
     * @param list<PanelWay>       $ways  that move
     */
    public function __construct(private array $fixed, private array $ways) {}

    /** The largest first, each to the place that leaves the least. */
    public function optimum(): Assignment
    {
        $order = array_keys($this->ways);
        usort($order, fn(int $a, int $b): int => [$this->ways[$b]->planA(), $a] <=> [$this->ways[$a]->planA(), $b]);
        $legs = $this->fixed;
        $places = [];
        foreach ($order as $i) {
            $way = $this->ways[$i];
            $best = null;
            foreach ($way->options() as $option => $place) {
                $after = self::plus($legs, $way->planA(), $place);
                $rank = [max($after), max($after) - min($after), (int) ($place !== $way->connect), $option];
                $best = $best === null || $rank < $best[0] ? [$rank, $place, $after] : $best;
            }
            [, $places[$i], $legs] = $best ?? throw new \LogicException('A way has a place.');
        }
        ksort($places);
        $found = $this->assignment(array_values($places), $legs);
        $present = $this->present();

        return $found->spread() < $present->spread() ? $found : $present;
    }

    /** One change after the other, each the one that helps most; null when none helps before the target. */
    public function fewest(float $targetPct): ?Assignment
    {
        $now = $this->present();
        while (! Assignment::isWithin($now->legs, $targetPct)) {
            $best = null;
            foreach ($this->ways as $i => $way) {
                foreach ($way->options() as $place) {
                    if ($place === $now->places[$i]) {
                        continue;
                    }
                    $legs = self::plus(self::plus($now->legs, -$way->planA(), $now->places[$i]), $way->planA(), $place);
                    $spread = max($legs) - min($legs);
                    if ($best === null || $spread < $best[0]) {
                        $best = [$spread, array_replace($now->places, [$i => $place]), $legs];
                    }
                }
            }
            if ($best === null || $best[0] >= $now->spread()) {
                return null;
            }
            $now = $this->assignment(array_values($best[1]), $best[2]);
        }

        return $now;
    }

    private function present(): Assignment
    {
        $legs = $this->fixed;
        foreach ($this->ways as $way) {
            $legs = self::plus($legs, $way->planA(), $way->connect);
        }

        return $this->assignment(array_map(static fn(PanelWay $way): string => $way->connect, $this->ways), $legs);
    }

    /**
     * @param list<string>         $places
     * @param array{int, int, int} $legs
     */
    private function assignment(array $places, array $legs): Assignment
    {
        $moves = 0;
        foreach ($this->ways as $i => $way) {
            $moves += $places[$i] === $way->connect ? 0 : 1;
        }

        return new Assignment($places, $legs, $moves);
    }

    /**
     * @param array{int, int, int} $legs
     *
     * @return array{int, int, int}
     */
    public static function plus(array $legs, int $a, string $place): array
    {
        $on = PanelWay::legs($place);
        $add = static fn(int $leg): int => in_array($leg, $on, true) ? $a : 0;

        return [$legs[0] + $add(0), $legs[1] + $add(1), $legs[2] + $add(2)];
    }
}
