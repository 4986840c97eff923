<?php

declare(strict_types=1);

namespace Escapement\Core\Topology;

/**
 * Neutral and ground must touch at exactly one place in whatever feeds the load: where they do, where they should, and
 * the least change from one to the other. Rule: docs/rules.md#bonding.
 */
final class BondingCheck
{
    private readonly PlacedFindings $findings;
    /** The model with every gap in the neutrals closed. */
    private readonly BondModel $gapFree;
    private readonly BondPlan $plan;
    private readonly BondVerdicts $verdicts;

    private function __construct(private readonly BondModel $model)
    {
        $this->findings = new PlacedFindings();
        $this->gapFree = $model->copy();
        foreach ($model->gaps() as $place) {
            $this->gapFree->closeGap($place);
        }
        $this->plan = new BondPlan($this->gapFree);
        $this->verdicts = new BondVerdicts($model, $this->plan->wanted, $this->plan);
    }

    public static function of(BondModel $model): self
    {
        return new self($model);
    }

    public function answer(): PlacedAnswer
    {
        $positions = $this->verdicts->positions();
        $this->judgePoints($positions);
        $gfci = $this->gfci();
        foreach ($this->model->elements as $e) {
            if ($e->isOverlapping) {
                $this->findings->raise('overlapping-neutral', $e->id);
            }
        }
        $values = [
            'positions' => $positions,
            'bonds_present' => array_map(strval(...), array_keys($this->model->bonds())),
            'neutral_shared_with' => (object) $this->gapFree->sharing(),
            'gfci' => $gfci,
        ];
        $incomplete = $this->plan->incomplete();
        foreach ($incomplete as $utility) {
            $this->findings->raise('no-service-disconnect', $utility);
        }
        if ($incomplete === []) {
            $this->judgeBonds();
            $this->judgeElectrodes();
            $places = $this->placesWithoutGround();
            foreach ($places as $place) {
                $this->findings->raise('no-equipment-ground', explode('.', $place)[0]);
            }
            $proposal = (new BondProposal($this->model, $this->gapFree, $places, $this->findings))->work();
            $values += $proposal;
        } else {
            $values += ['bonds_wanted' => [], 'electrode_points' => [], 'panel_work' => [], 'actions' => [], 'after' => []];
        }

        return new PlacedAnswer(
            $values,
            $this->findings->all(),
            [sprintf('%d bonds there, %d belong', count($this->model->bonds()), count($this->plan->wanted))],
        );
    }

    /**
     * @param list<array{positions: object, points: list<array{at: string, source: string, bond_count: int,
     *     bonds: list<array{at: string, path: list<string>}>, verdict: string}>, verdict: string}> $rows
     */
    private function judgePoints(array $rows): void
    {
        $combinations = $this->model->combinations();
        foreach ($rows as $row) {
            foreach ($row['points'] as $point) {
                if ($point['verdict'] === 'open-neutral') {
                    $this->findings->raise('open-neutral', $point['at']);
                    continue;
                }
                if ($point['bond_count'] > 0) {
                    continue;
                }
                $element = $this->model->elements[$point['at']];
                foreach ($combinations as $positions) {
                    if ($this->model->walk($element, $positions)['source'] === $point['source']
                        && $this->verdicts->hasBondOnNeutral($element, $positions)) {
                        $this->findings->raise('no-ground-path', $point['at']);
                    }
                }
            }
        }
    }

    /** @return list<array{source: string, positions: object, prediction: string}> */
    private function gfci(): array
    {
        $rows = [];
        $grounds = $this->model->grounds();
        foreach ($this->model->ofType('source') as $source) {
            foreach ($source->hasGfci ? $this->model->combinations() : [] as $positions) {
                $feeds = array_filter(
                    $this->model->points(),
                    fn(BondElement $point): bool => $this->model->walk($point, $positions)['source'] === $source->id,
                );
                if ($feeds === []) {
                    continue;
                }
                $prediction = $this->gfciOf($source, $positions, BondModel::joined($grounds, $source->id));
                if ($prediction === 'trips' || $prediction === 'blind') {
                    $this->findings->raise($prediction === 'trips' ? 'gfci-will-trip' : 'gfci-blind', $source->id);
                }
                $rows[] = ['source' => $source->id, 'positions' => (object) $positions, 'prediction' => $prediction];
            }
        }

        return $rows;
    }

    /**
     * @param array<string, string>  $positions
     * @param array<string, ?string> $byGround joined to the source by the grounds
     *
     * @return 'blind'|'floating'|'ok'|'trips'
     */
    private function gfciOf(BondElement $source, array $positions, array $byGround): string
    {
        $byNeutral = BondModel::joined($this->model->neutrals($positions), $source->bondNode());
        $own = $others = false;
        foreach ($this->model->bonds() as $bond) {
            if (array_key_exists($bond['node'], $byNeutral) && array_key_exists($bond['element']->id, $byGround)) {
                $own = $own || $bond['element'] === $source;
                $others = $others || $bond['element'] !== $source;
            }
        }

        return $own ? ($others ? 'trips' : 'ok') : ($others ? 'blind' : 'floating');
    }

    private function judgeBonds(): void
    {
        $this->judgePresent($this->gridHomes());
        $this->judgeMissing();
        foreach ($this->plan->floating as $source) {
            $this->findings->raise('floating-by-intent', $source);
        }
        $this->judgeSubPanels();
    }

    /** @return list<string> where the neutrals of utilities and transformers are at home; several of one utility are said */
    private function gridHomes(): array
    {
        $gridHomes = [];
        foreach ($this->gapFree->ofType('source') as $source) {
            $homes = $this->gapFree->homes($source);
            if ($source->kind === 'utility' && count($homes) > 1) {
                $this->findings->raise('several-service-disconnects', $source->id);
            }
            if ($source->kind === 'utility' || $source->kind === 'transformer') {
                array_push($gridHomes, ...$homes);
            }
        }

        return $gridHomes;
    }

    /**
     * Bonds that are there and not wanted.
     *
     * @param list<string> $gridHomes
     */
    private function judgePresent(array $gridHomes): void
    {
        foreach ($this->model->bonds() as $ref => $bond) {
            $e = $bond['element'];
            if (! in_array((string) $ref, $this->plan->wanted, true)) {
                $this->findings->raise(match (true) {
                    $e->isMachine() => 'source-bond-parallel',
                    $e->type === 'source' || in_array($e->id, $gridHomes, true) => 'circulating-neutral',
                    $e->isMobile => 'mobile-panel-bonded',
                    default => 'panel-bond-extra',
                }, $e->id);
            }
        }
    }

    /** Bonds that are wanted and not there. */
    private function judgeMissing(): void
    {
        foreach ($this->plan->chosen as $source => $homes) {
            $id = $this->gapFree->elements[$source]->isMachine() ? 'floating-neutral' : 'bonding/bond-missing';
            foreach ($homes as $home) {
                if (! str_contains($home, '.') && ! $this->gapFree->elements[$home]->isBonded) {
                    $this->findings->raise($id, $home);
                }
            }
        }
    }

    /** Panels that a service-rated switch ahead of them has made sub-panels. */
    private function judgeSubPanels(): void
    {
        $wanted = $this->plan->wanted;
        foreach ($this->model->ofType('panel') as $panel) {
            $ratedAbove = array_filter(
                $this->model->ancestors($panel->id),
                fn(string $id): bool => $this->model->elements[$id]->isServiceRated && in_array($id, $wanted, true),
            );
            if ($panel->touches() && ! $panel->isMobile && ! in_array($panel->id, $wanted, true) && $ratedAbove !== []) {
                $this->findings->raise('panel-now-sub', $panel->id);
            }
        }
    }

    private function judgeElectrodes(): void
    {
        $points = $this->plan->electrodePoints();
        $misplaced = $this->plan->misplacedElectrodes();
        foreach ($this->gapFree->elements as $e) {
            if (in_array($e->id, $points, true)) {
                if (! $e->hasElectrode) {
                    $this->findings->raise('electrode-missing', $e->id);
                }
            } elseif ($e->hasElectrode) {
                $this->findings->raise(in_array($e->id, $misplaced, true) ? 'electrode-misplaced' : 'electrode-auxiliary', $e->id);
            }
        }
    }

    /** @return list<string> where no grounding conductor is run and one is needed, as id or switch.port */
    private function placesWithoutGround(): array
    {
        $excepted = [];
        foreach ($this->gapFree->ofType('source') as $source) {
            if ($source->isTnCs()) {
                $excepted += array_fill_keys($this->gapFree->serviceWay($source)['way'], true);
            }
        }
        $places = [];
        foreach ($this->model->elements as $e) {
            $isExcepted = isset($excepted[$e->id]);
            if ($e->type === 'switch') {
                if (! $e->hasGround && ! $isExcepted) {
                    $places[] = "$e->id.normal";
                }
                if (! $e->hasEmergencyGround) {
                    $places[] = "$e->id.emergency";
                }
            } elseif ($e->type !== 'source' && ! $e->hasGround && ! $isExcepted) {
                $places[] = $e->id;
            }
        }

        return $places;
    }
}
