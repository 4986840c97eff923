<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/** Where the bonds of a gap-free model belong, and for which source. Rule: docs/rules.md#bonding. */
final readonly class BondPlan
{
    /** @var array<string, list<string>> homes by chosen source */
    public array $chosen;
    /** @var list<string> sources whose neutral hangs on a chosen one */
    public array $dependent;
    /** @var list<string> */
    public array $floating;
    /** @var list<string> references, in element order */
    public array $wanted;

    public function __construct(public BondModel $model)
    {
        $sharing = $model->sharing();
        $chosen = [];
        $dependent = $floating = [];
        foreach ($model->sourcesByKind() as $source) {
            $homes = $model->homes($source);
            if (array_intersect($sharing[$source->id], array_keys($chosen)) !== []) {
                $dependent[] = $source->id;
            } elseif ($source->isFloatingByDesign && $homes === [$source->id] && ! $source->isBonded) {
                $floating[] = $source->id;
            } else {
                $chosen[$source->id] = $homes;
            }
        }
        $this->chosen = $chosen;
        $this->dependent = $dependent;
        $this->floating = $floating;
        $places = array_flip(array_keys($model->elements));
        $wanted = array_values(array_unique(array_merge([], ...array_values($chosen))));
        usort($wanted, static fn(string $a, string $b): int => $places[explode('.', $a)[0]] <=> $places[explode('.', $b)[0]]);
        $this->wanted = $wanted;
    }

    /** @return list<string> tn-c-s utilities whose homes are not on the way of every point they feed */
    public function incomplete(): array
    {
        $incomplete = [];
        foreach ($this->model->ofType('source') as $source) {
            if (! $source->isTnCs()) {
                continue;
            }
            $homes = $this->model->homes($source);
            $isComplete = $homes !== [];
            foreach ($this->model->combinations() as $positions) {
                foreach ($this->model->points() as $point) {
                    $walk = $this->model->walk($point, $positions);
                    $isComplete = $isComplete && ($walk['source'] !== $source->id || array_intersect($walk['elements'], $homes) !== []);
                }
            }
            if (! $isComplete) {
                $incomplete[] = $source->id;
            }
        }

        return $incomplete;
    }

    /** @return list<string> elements that an electrode conductor belongs to */
    public function electrodePoints(): array
    {
        $points = [];
        foreach ($this->chosen as $id => $homes) {
            $source = $this->model->elements[$id];
            if ($source->isTnCs() || $source->isPermanent && ($source->kind === 'transformer' || $source->kind === 'generator')) {
                foreach ($homes as $home) {
                    $points[$this->model->of($home)->id] = true;
                }
            }
        }

        return array_values(array_filter(
            array_map(strval(...), array_keys($this->model->elements)),
            static fn(string $id): bool => isset($points[$id]),
        ));
    }

    /** @return list<string> elements with an electrode where none belongs; a utility, shore or dependent source may have one */
    public function misplacedElectrodes(): array
    {
        $points = $this->electrodePoints();

        return array_values(array_map(static fn(BondElement $e): string => $e->id, array_filter(
            $this->model->elements,
            fn(BondElement $e): bool => $e->hasElectrode && ! in_array($e->id, $points, true) && ! $this->mayHaveAuxiliary($e),
        )));
    }

    public function mayHaveAuxiliary(BondElement $e): bool
    {
        return $e->kind === 'utility' || $e->kind === 'shore' || in_array($e->id, $this->dependent, true);
    }

    /** The source that an electrode point was chosen for. */
    public function sourceOf(string $point): string
    {
        foreach ($this->chosen as $source => $homes) {
            foreach ($homes as $home) {
                if ($this->model->of($home)->id === $point) {
                    return $source;
                }
            }
        }

        throw new \LogicException("$point is no home.");
    }
}
