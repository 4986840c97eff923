<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

/**
 * Every state that a circuit can reach from power-up, by its own moves and whatever happens around it. Rule: docs/rules.md#relay-check.
 *
 * Whatever happens around it may happen at any time, so each reached set of device values is reached in every environment: the search
 * walks the values and looks at all environments of each, instead of walking from environment to environment.
 */
final class StateSpace
{
    /** @var array<int, list<int>> own moves of each reachable state */
    public array $own = [];

    public bool $isBothClosedReachable = false;

    /**
     * @param bool $stopsAtBothClosed where nothing else is asked
     * @param int  $mostStates        before the search is given up
     *
     * @throws TooManyStates
     */
    public function __construct(
        private readonly RelayCircuit $circuit,
        public readonly CircuitModel $model,
        bool $stopsAtBothClosed = false,
        int $mostStates = PHP_INT_MAX,
    ) {
        $names = array_map(static fn(RelayDevice $one): string => $one->id, $circuit->powerContactors());
        $devices = ~$model->environmentBits();
        $environments = $model->environments();
        $open = [];
        foreach ($this->powerUps() as $starts) {
            foreach ($starts as $state) {
                $open[$state & $devices] = true;
            }
        }
        $seen = $open;
        while ($open !== []) {
            $values = array_key_last($open);
            unset($open[$values]);
            if (count($names) === 2 && $model->isClosed($values, $names[0]) && $model->isClosed($values, $names[1])) {
                $this->isBothClosedReachable = true;
                if ($stopsAtBothClosed) {
                    return;
                }
            }
            if (count($this->own) > $mostStates) {
                throw new TooManyStates($mostStates);
            }
            foreach ($model->handSteps($values) as $next) {
                if (! isset($seen[$next])) {
                    $seen[$next] = $open[$next] = true;
                }
            }
            foreach ($environments as $environment) {
                $this->own[$values | $environment] = $own = $model->own($values | $environment);
                foreach ($own as $next) {
                    $next &= $devices;
                    if (! isset($seen[$next])) {
                        $seen[$next] = $open[$next] = true;
                    }
                }
            }
        }
    }

    /** @return list<int> states without an own move */
    public function settled(): array
    {
        return array_keys(array_filter($this->own, static fn(array $own): bool => $own === []));
    }

    /** @return list<int> settled states where nobody touches anything and the selector is at auto */
    public function settledAtRest(): array
    {
        return array_values(array_filter($this->settled(), $this->model->isAtRest(...)));
    }

    /**
     * By own moves alone.
     *
     * @param list<int> $from
     *
     * @return list<int> settled states
     */
    public function settledFrom(array $from): array
    {
        $seen = array_fill_keys($from, true);
        $settled = [];
        while ($from !== []) {
            $state = array_pop($from);
            $own = $this->own[$state] ?? $this->model->own($state);
            if ($own === []) {
                $settled[] = $state;
            }
            foreach ($own as $next) {
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $from[] = $next;
                }
            }
        }

        return $settled;
    }

    /**
     * Whether fast moves alone lead to a state that fits.
     *
     * @param \Closure(int): bool $fits
     */
    public function leadsFast(int $from, \Closure $fits): bool
    {
        $open = [$from];
        $seen = [$from => true];
        while ($open !== []) {
            $state = array_pop($open);
            if ($fits($state)) {
                return true;
            }
            foreach ($this->model->fast($state) as $next) {
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $open[] = $next;
                }
            }
        }

        return false;
    }

    /** @return list<int> states from which no settled state can be reached by own moves */
    public function hunting(): array
    {
        $before = [];
        foreach ($this->own as $state => $own) {
            foreach ($own as $next) {
                $before[$next][] = $state;
            }
        }
        $calm = array_fill_keys($this->settled(), true);
        $open = array_keys($calm);
        while ($open !== []) {
            foreach ($before[array_pop($open)] ?? [] as $state) {
                if (! isset($calm[$state])) {
                    $calm[$state] = true;
                    $open[] = $state;
                }
            }
        }

        return array_keys(array_diff_key($this->own, $calm));
    }

    /** @return iterable<list<int>> of every health and selector position */
    private function powerUps(): iterable
    {
        $places = max(1, count($this->circuit->selector()->positions ?? []));
        foreach ($this->model->healths() as $one) {
            for ($place = 0; $place < $places; $place++) {
                yield $this->model->powerUps($one['bits'], $place);
            }
        }
    }
}
