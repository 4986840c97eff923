<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** What each point sees in each position: how many bonds, where, and whether that is right. Rule: docs/rules.md#bonding. */
final readonly class BondVerdicts
{
    private const WORST_FIRST = ['open-neutral', 'floating', 'parallel', 'misplaced', 'floating-by-intent', 'ok'];

    /** @param list<string> $wanted */
    public function __construct(private BondModel $model, private array $wanted, private BondPlan $plan) {}

    /**
     * @return list<array{positions: object, points: list<array{at: string, source: string, bond_count: int,
     *     bonds: list<array{at: string, path: list<string>}>, verdict: string}>, verdict: string}>
     */
    public function positions(): array
    {
        $rows = [];
        $grounds = $this->model->grounds();
        foreach ($this->model->combinations() as $positions) {
            $neutrals = $this->model->neutrals($positions);
            $points = array_map(
                fn(BondElement $point): array => $this->point($point, $positions, $neutrals, $grounds),
                $this->model->points(),
            );
            $rows[] = ['positions' => (object) $positions, 'points' => $points, 'verdict' => self::worst(array_column($points, 'verdict'))];
        }

        return $rows;
    }

    /** @return list<array{positions: object, verdict: string}> */
    public function summary(): array
    {
        return array_map(
            static fn(array $row): array => ['positions' => $row['positions'], 'verdict' => $row['verdict']],
            $this->positions(),
        );
    }

    /**
     * Whether, ignoring grounds, a bond is on a point's neutral.
     *
     * @param array<string, string> $positions
     */
    public function hasBondOnNeutral(BondElement $point, array $positions): bool
    {
        $joined = BondModel::joined($this->model->neutrals($positions), $this->model->start($point));
        foreach ($this->model->bonds() as $bond) {
            if (array_key_exists($bond['node'], $joined)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, string>       $positions
     * @param array<string, list<string>> $neutrals
     * @param array<string, list<string>> $grounds
     *
     * @return array{at: string, source: string, bond_count: int, bonds: list<array{at: string, path: list<string>}>, verdict: string}
     */
    private function point(BondElement $point, array $positions, array $neutrals, array $grounds): array
    {
        $walk = $this->model->walk($point, $positions);
        $byNeutral = BondModel::joined($neutrals, $this->model->start($point));
        $byGround = BondModel::joined($grounds, $point->id);
        $bonds = [];
        foreach ($this->model->bonds() as $ref => $bond) {
            if (array_key_exists($bond['node'], $byNeutral) && array_key_exists($bond['element']->id, $byGround)) {
                $bonds[] = ['at' => (string) $ref, 'path' => $this->path($point, $bond['node'], $byNeutral)];
            }
        }
        $verdict = match (true) {
            $walk['gaps'] !== [] && $point->needsNeutral => 'open-neutral',
            $bonds === [] => in_array($walk['source'], $this->plan->floating, true) ? 'floating-by-intent' : 'floating',
            count($bonds) > 1 => 'parallel',
            ! in_array($bonds[0]['at'], $this->wanted, true) => 'misplaced',
            default => 'ok',
        };

        return ['at' => $point->id, 'source' => $walk['source'], 'bond_count' => count($bonds), 'bonds' => $bonds, 'verdict' => $verdict];
    }

    /**
     * @param array<string, ?string> $before
     *
     * @return list<string> elements from the point to the bond
     */
    private function path(BondElement $point, string $node, array $before): array
    {
        $nodes = [];
        for (; $node !== null; $node = $before[$node]) {
            $nodes[] = explode('.', $node)[0];
        }
        $path = [$point->id];
        foreach (array_reverse($nodes) as $id) {
            if ($id !== $path[count($path) - 1]) {
                $path[] = $id;
            }
        }

        return $path;
    }

    /** @param list<string> $verdicts */
    private static function worst(array $verdicts): string
    {
        foreach (self::WORST_FIRST as $verdict) {
            if (in_array($verdict, $verdicts, true)) {
                return $verdict;
            }
        }

        return 'ok';
    }
}
