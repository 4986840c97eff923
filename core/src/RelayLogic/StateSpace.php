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
    /** @var array<int, list<int>> of each reachable set of device values, the environments in which something moves, as bits */
    private array $busy = [];

    /** @var ?array<int, list<int>> */
    private ?array $own = null;

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
        $environments = count($model->environments());
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
            if (count($this->busy) * $environments > $mostStates) {
                throw new TooManyStates($mostStates);
            }
            foreach ($model->handSteps($values) as $next) {
                if (! isset($seen[$next])) {
                    $seen[$next] = $open[$next] = true;
                }
            }
            [$moves, $this->busy[$values]] = $model->moves($values);
            foreach ($moves as $next) {
                if (! isset($seen[$next])) {
                    $seen[$next] = $open[$next] = true;
                }
            }
        }
    }

    /** How many states are reachable. */
    public function count(): int
    {
        return count($this->busy) * count($this->model->environments());
    }

    /** @return array<int, list<int>> own moves of each reachable state */
    public function own(): array
    {
        if ($this->own === null) {
            $this->own = [];
            foreach ($this->busy as $values => $_) {
                foreach ($this->model->environments() as $environment) {
                    $this->own[$values | $environment] = $this->model->own($values | $environment);
                }
            }
        }

        return $this->own;
    }

    /** @return list<int> states without an own move */
    public function settled(): array
    {
        $settled = [];
        foreach ($this->busy as $values => $busy) {
            foreach ($this->model->calm($busy) as $environment) {
                $settled[] = $values | $environment;
            }
        }

        return $settled;
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
            $own = $this->model->own($state);
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
        $all = $this->own();
        foreach ($all as $state => $own) {
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

        return array_keys(array_diff_key($all, $calm));
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
