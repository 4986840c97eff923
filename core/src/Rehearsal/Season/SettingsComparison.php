<?php

declare(strict_types=1);

namespace Escapement\Core\Rehearsal\Season;

use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Simulation\ScenarioEvent;

/** A list of disturbances through several candidate sheets: what each costs, and where they differ. Rule: docs/rules.md#season. */
final readonly class SettingsComparison
{
    /**
     * @param array<string, Settings>                              $candidates by name
     * @param list<array{at_ms: int, events: list<ScenarioEvent>}> $disturbances events at times of their own, from at_ms
     * @param list<Load>                                           $loads
     * @param null|array{idle_l_h: int|float, loaded_l_h: int|float} $fuel
     */
    public function __construct(
        private Plant $plant,
        private array $candidates,
        private array $disturbances,
        private array $loads,
        private int $untilMs,
        private ?array $fuel,
    ) {}

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->candidates));
    }

    /** The whole list through one candidate: a season is played candidate by candidate, so that it can be watched and stopped. */
    public function play(string $name): CandidateOutcome
    {
        $script = [];
        foreach ($this->disturbances as $disturbance) {
            array_push($script, ...$disturbance['events']);
        }
        $tally = new OutcomeTally(array_column($this->disturbances, 'at_ms'), $this->untilMs);
        $metrics = (new Rehearsal(
            new Scenario($this->plant, $this->candidates[$name], $script, $this->untilMs, $this->loads),
            $tally,
        ))->run();
        $idleMs = $metrics->engineRunMs - $metrics->engineLoadedMs;
        $fuelLitres = $this->fuel === null
            ? null
            : ($idleMs * $this->fuel['idle_l_h'] + $metrics->engineLoadedMs * $this->fuel['loaded_l_h']) / 3_600_000;

        return new CandidateOutcome($name, $metrics, $fuelLitres, $tally->outcomes($metrics->outagesMs));
    }

    /**
     * The disturbances that the candidates did not all take alike.
     *
     * @param list<CandidateOutcome> $played
     *
     * @return list<Differing>
     */
    public function differing(array $played): array
    {
        $differing = [];
        foreach (array_column($this->disturbances, 'at_ms') as $i => $atMs) {
            $column = array_map(static fn(CandidateOutcome $candidate): string => $candidate->outcomes[$i], $played);
            if (count(array_unique($column)) > 1) {
                $differing[] = new Differing($i, $atMs, $column);
            }
        }

        return $differing;
    }

    /** @return array<string, mixed> ready to be encoded */
    public function compare(): array
    {
        $played = array_map($this->play(...), $this->names());
        $candidates = array_map(static fn(CandidateOutcome $candidate): array => [
            'name' => $candidate->name,
            'metrics' => $candidate->metrics,
            'fuel_l' => $candidate->fuelLitres,
        ], $played);

        return ['candidates' => $candidates, 'differing' => $this->differing($played), 'findings' => [], 'working' => []];
    }
}
