<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

/**
 * A good plan of many visits: the most urgent first, each where it costs least; then visits are moved, exchanged and stretches turned
 * until nothing gets cheaper. Rule: docs/rules.md#visit-plan.
 */
final class SearchedVisits
{
    private const MOST_ROUNDS = 60;

    /** @var array<int, list<int>> order of visits by slot, empty ones too */
    private array $routes;

    /** @var array<int, int> slot by visit that is placed */
    private array $slotOf = [];

    public function __construct(private readonly VisitSlots $slots)
    {
        $this->routes = array_fill(0, count($slots->slots), []);
    }

    /** @return array<int, list<int>> order of visits by slot */
    public function routes(): array
    {
        foreach ($this->urgentFirst() as $v) {
            $this->insert($v);
        }
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $isBetter = $this->moveEach();
            $isBetter = $this->insertLeftOut() || $isBetter;
            $isBetter = $this->exchangeEach() || $isBetter;
            $isBetter = $this->turnStretches() || $isBetter;
            if (! $isBetter) {
                break;
            }
        }

        return array_filter($this->routes, static fn(array $order): bool => $order !== []);
    }

    /** @return list<int> locked first, then by priority, then those with the fewest days, then by id */
    private function urgentFirst(): array
    {
        $visits = $this->slots->in->visits;
        $order = array_values(array_filter(array_keys($visits), fn(int $v): bool => $this->slots->alone[$v] !== []));
        usort($order, fn(int $a, int $b): int => [
            $visits[$b]->isLocked(), $visits[$b]->priority, count($this->slots->admissible[$a]), $visits[$a]->id,
        ] <=> [
            $visits[$a]->isLocked(), $visits[$a]->priority, count($this->slots->admissible[$b]), $visits[$b]->id,
        ]);

        return $order;
    }

    /** Puts a visit where it adds least, if that is less than leaving it out. */
    private function insert(int $v): bool
    {
        $place = $this->cheapest($v, $this->slots->unplacedCost($v));
        if ($place === null) {
            return false;
        }
        array_splice($this->routes[$place[0]], $place[1], 0, [$v]);
        $this->slotOf[$v] = $place[0];

        return true;
    }

    /** @return ?array{int, int, int} slot, position and cost below the limit */
    private function cheapest(int $v, int $limit): ?array
    {
        $in = $this->slots->in;
        $bases = count($in->technicians);
        $best = null;
        foreach ($this->slots->admissible[$v] as $slot) {
            $technician = $this->slots->slots[$slot]['technician'];
            $route = $this->routes[$slot];
            $fixed = $this->slots->dayCost($v, $slot) + ($route === [] ? $in->weights['technician_day'] : 0);
            for ($i = 0; $i <= count($route); $i++) {
                $before = $i === 0 ? $technician : $bases + $route[$i - 1];
                $after = $i === count($route) ? $technician : $bases + $route[$i];
                $way = $in->minutes[$before][$bases + $v] + $in->minutes[$bases + $v][$after];
                $way -= $route === [] ? 0 : $in->minutes[$before][$after];
                $cost = $fixed + $in->weights['travel'] * $way;
                if ($cost >= $limit) {
                    continue;
                }
                $longer = $route;
                array_splice($longer, $i, 0, [$v]);
                if ($this->slots->travelOf($technician, $longer) !== null) {
                    $best = [$slot, $i, $cost];
                    $limit = $cost;
                }
            }
        }

        return $best;
    }

    private function moveEach(): bool
    {
        $isBetter = false;
        foreach (array_keys($this->slotOf) as $v) {
            $slot = $this->slotOf[$v];
            $was = $this->routes[$slot];
            $now = array_values(array_diff($was, [$v]));
            $saved = $this->cost($slot, $was) - $this->cost($slot, $now);
            if ($this->slots->travelOf($this->slots->slots[$slot]['technician'], $now) === null) {
                continue;
            }
            $this->routes[$slot] = $now;
            $place = $this->cheapest($v, min($saved, $this->slots->unplacedCost($v)));
            if ($place !== null) {
                array_splice($this->routes[$place[0]], $place[1], 0, [$v]);
                $this->slotOf[$v] = $place[0];
                $isBetter = true;
            } elseif ($this->slots->unplacedCost($v) < $saved) {
                unset($this->slotOf[$v]);
                $isBetter = true;
            } else {
                $this->routes[$slot] = $was;
            }
        }

        return $isBetter;
    }

    private function insertLeftOut(): bool
    {
        $isBetter = false;
        foreach ($this->urgentFirst() as $v) {
            $isBetter = ! isset($this->slotOf[$v]) && $this->insert($v) || $isBetter;
        }

        return $isBetter;
    }

    private function exchangeEach(): bool
    {
        $isBetter = false;
        $placed = array_keys($this->slotOf);
        foreach ($placed as $i => $a) {
            foreach (array_slice($placed, $i + 1) as $b) {
                $isBetter = $this->exchange($a, $b) || $isBetter;
            }
        }

        return $isBetter;
    }

    private function exchange(int $a, int $b): bool
    {
        [$slotA, $slotB] = [$this->slotOf[$a], $this->slotOf[$b]];
        if (! in_array($slotB, $this->slots->admissible[$a], true) || ! in_array($slotA, $this->slots->admissible[$b], true)) {
            return false;
        }
        $other = static fn(int $v): int => match ($v) {
            $a => $b,
            $b => $a,
            default => $v,
        };
        $after = [$slotA => array_map($other, $this->routes[$slotA]), $slotB => array_map($other, $this->routes[$slotB])];

        return $this->take($after, function () use ($a, $b, $slotA, $slotB): void {
            $this->slotOf[$a] = $slotB;
            $this->slotOf[$b] = $slotA;
        });
    }

    private function turnStretches(): bool
    {
        $isBetter = false;
        foreach (array_keys($this->routes) as $slot) {
            for ($i = 0; $i < count($this->routes[$slot]) - 1; $i++) {
                for ($j = $i + 1; $j < count($this->routes[$slot]); $j++) {
                    $route = $this->routes[$slot];
                    array_splice($route, $i, $j - $i + 1, array_reverse(array_slice($route, $i, $j - $i + 1)));
                    $isBetter = $this->take([$slot => array_values($route)], static function (): void {}) || $isBetter;
                }
            }
        }

        return $isBetter;
    }

    /**
     * @param array<int, list<int>> $after routes by slot
     * @param \Closure(): void     $then
     */
    private function take(array $after, \Closure $then): bool
    {
        $gain = 0;
        foreach ($after as $slot => $route) {
            $gain += $this->cost($slot, $this->routes[$slot]) - $this->cost($slot, $route);
        }
        if ($gain <= 0) {
            return false;
        }
        foreach ($after as $changed => $order) {
            if ($this->slots->travelOf($this->slots->slots[$changed]['technician'], $order) === null) {
                return false;
            }
        }
        $this->routes = array_replace($this->routes, $after);
        $then();

        return true;
    }

    /** @param list<int> $route */
    private function cost(int $slot, array $route): int
    {
        if ($route === []) {
            return 0;
        }
        $in = $this->slots->in;
        $bases = count($in->technicians);
        $technician = $this->slots->slots[$slot]['technician'];
        $at = $technician;
        $cost = $in->weights['technician_day'];
        $way = 0;
        foreach ($route as $v) {
            $way += $in->minutes[$at][$bases + $v];
            $cost += $this->slots->dayCost($v, $slot);
            $at = $bases + $v;
        }

        return $cost + $in->weights['travel'] * ($way + $in->minutes[$at][$technician]);
    }
}
