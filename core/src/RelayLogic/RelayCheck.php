<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic;

use Escapement\Core\Topology\PlacedFindings;

/**
 * Searches a changeover's control circuit through: can both sources close, what does one fault do, is the engine called, is a source
 * proved before it is closed on. Times play no part beyond slow and fast. Rule: docs/rules.md#relay-check.
 */
final readonly class RelayCheck
{
    /**
     * @param ?\Closure(int, int): void $progress told after each single fault how many are done, and of how many; it may throw to stop
     * @param int                       $most     states of the sound circuit before the search is given up
     *
     * @throws TooManyStates
     */
    public function check(RelayCircuit $circuit, ?\Closure $progress = null, int $most = PHP_INT_MAX): RelayCheckResult
    {
        $space = new StateSpace($circuit, new CircuitModel($circuit), mostStates: $most);
        $findings = new PlacedFindings();
        $rows = (new TruthTable($circuit, $space))->rows();
        $faults = new FaultSearch($circuit, $space, $progress);
        $dead = $this->deadConditions($circuit, $rows);
        $hunting = $this->hunting($circuit, $space);
        (new InterlockRules($circuit, $space, $faults, $findings))->judge();
        (new SourceRules($circuit, $space, $findings))->judge();
        $this->judgeTable($circuit, $rows, $dead, $findings);
        $this->judgeStarts($circuit, $rows, $findings);
        $this->judgeChangeover($circuit, $space, $findings);
        if ($hunting !== []) {
            $findings->raise('relay-check/hunting');
        }

        return new RelayCheckResult(
            $rows,
            $space->count(),
            $space->isBothClosedReachable,
            $faults->outcomes,
            $faults->startFaults,
            $dead,
            $hunting,
            $findings->all(),
            [sprintf('%d states, %d single faults', $space->count(), count($faults->outcomes))],
        );
    }

    /**
     * @param list<TruthRow> $rows
     *
     * @return list<DeadCondition>
     */
    private function deadConditions(RelayCircuit $circuit, array $rows): array
    {
        $sides = $circuit->sides();
        $dead = [];
        foreach ($rows as $row) {
            $good = array_keys(array_filter(
                $sides,
                static fn(array $side, string|int $source): bool => $row->isHealthy((string) $source),
                ARRAY_FILTER_USE_BOTH,
            ));
            $names = array_map(static fn(string|int $source): string => $sides[$source]['closed'], $good);
            $without = array_filter($row->any, static fn(RelayState $state): bool => array_intersect($state->closed, $names) === []);
            if ($good !== [] && $without !== []) {
                $dead[] = new DeadCondition($row->selector, $row->health);
            }
        }

        return $dead;
    }

    /** @return list<HuntingCondition> each environment once, in the order of the table */
    private function hunting(RelayCircuit $circuit, StateSpace $space): array
    {
        $model = $space->model;
        $healths = $model->healths();
        $places = array_flip(array_column($healths, 'bits'));
        $found = [];
        foreach ($space->hunting() as $state) {
            $pressed = $model->pressed($state);
            $place = $places[$model->healthBits($state)];
            $key = [$model->selectorAt($state), $place, $pressed, $model->isHandleIn($state)];
            $found[json_encode($key, JSON_THROW_ON_ERROR)] = $key;
        }
        usort($found, self::compare(...));
        $positions = $circuit->selector()->positions ?? [];

        return array_map(static fn(array $key): HuntingCondition => new HuntingCondition(
            $positions[$key[0]] ?? null,
            (object) $healths[$key[1]]['health'],
            $key[2],
            $key[3],
        ), $found);
    }

    /**
     * Pressed buttons item by item as strings, the shorter list first.
     *
     * @param array{int, int, list<string>, bool} $a
     * @param array{int, int, list<string>, bool} $b
     */
    private static function compare(array $a, array $b): int
    {
        $first = [$a[0], $a[1]] <=> [$b[0], $b[1]];
        for ($i = 0; $first === 0 && $i < min(count($a[2]), count($b[2])); $i++) {
            $first = strcmp($a[2][$i], $b[2][$i]);
        }

        return $first !== 0 ? $first : [count($a[2]), $a[3]] <=> [count($b[2]), $b[3]];
    }

    /**
     * @param list<TruthRow>      $rows
     * @param list<DeadCondition> $dead
     */
    private function judgeTable(RelayCircuit $circuit, array $rows, array $dead, PlacedFindings $findings): void
    {
        foreach ($rows as $row) {
            if ($circuit->changeover() === null && count($row->cold) > 1) {
                $findings->raise('race-on-power-up');
            }
            if (self::names($row->cold) !== self::names($row->any)) {
                $findings->raise('history-dependent');
            }
        }
        foreach ($dead as $one) {
            if ($one->selector === null || $one->selector === 'auto') {
                $findings->raise('dead-in-auto');
            }
        }
    }

    /**
     * @param list<RelayState> $states
     *
     * @return list<list<list<string>>>
     */
    private static function names(array $states): array
    {
        return array_map(static fn(RelayState $state): array => [$state->closed, $state->picked, $state->lit, $state->start], $states);
    }

    /** @param list<TruthRow> $rows */
    private function judgeStarts(RelayCircuit $circuit, array $rows, PlacedFindings $findings): void
    {
        foreach ($circuit->ofType(RelayType::Start) as $start) {
            foreach ($rows as $row) {
                if ($row->selector !== null && $row->selector !== 'auto') {
                    continue;
                }
                $isHealthy = $row->isHealthy($circuit->preferred);
                foreach ($row->any as $state) {
                    $isStarted = in_array($start->id, $state->start, true);
                    if ($isStarted === $isHealthy) {
                        $findings->raise($isHealthy ? 'start-runs-with-mains-healthy' : 'start-not-called-on-outage', $start->id);
                    }
                }
            }
        }
    }

    private function judgeChangeover(RelayCircuit $circuit, StateSpace $space, PlacedFindings $findings): void
    {
        $changeover = $circuit->changeover();
        if ($changeover === null) {
            return;
        }
        foreach (array_keys($space->own()) as $state) {
            $commands = array_filter(
                ['I', '0', 'II'],
                static fn(string $position): bool => $space->model->isEnergised($state, "$changeover->id.$position"),
            );
            if ($commands !== [] && $space->model->isHandleIn($state)) {
                $findings->raise('handle-not-locked-out', $changeover->id);
            }
            if (count($commands) > 1) {
                $findings->raise('relay-check/conflicting-commands', $changeover->id);
            }
        }
    }
}
