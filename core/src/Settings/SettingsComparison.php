<?php

declare(strict_types=1);

namespace Escapement\Core\Settings;

use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\ScenarioEvent;
use Escapement\Core\Site\Load;
use Escapement\Core\Site\Plant;

/** A list of disturbances through several candidate sheets: what each costs, and where they differ. Rule: settings §5. */
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

    /** @return array<string, mixed> */
    public function compare(): array
    {
        $script = [];
        foreach ($this->disturbances as $disturbance) {
            array_push($script, ...$disturbance['events']);
        }
        $startsMs = array_column($this->disturbances, 'at_ms');
        $candidates = [];
        $outcomes = [];
        foreach ($this->candidates as $name => $settings) {
            $tally = new OutcomeTally($startsMs, $this->untilMs);
            $metrics = (new Rehearsal(new Scenario($this->plant, $settings, $script, $this->untilMs, $this->loads), $tally))->run();
            $outcomes[] = $tally->outcomes($metrics->outages);
            $candidates[] = [
                'name' => (string) $name,
                'metrics' => $metrics->toArray(),
                'fuel_l' => $this->fuel === null ? null
                    : (($metrics->engineRunMs - $metrics->engineLoadedMs) * $this->fuel['idle_l_h'] + $metrics->engineLoadedMs * $this->fuel['loaded_l_h']) / 3_600_000,
            ];
        }
        $differing = [];
        foreach ($startsMs as $i => $atMs) {
            $column = array_column($outcomes, $i);
            if (count(array_unique($column, SORT_REGULAR)) > 1) {
                $differing[] = ['index' => $i, 'at_ms' => $atMs, 'outcomes' => $column];
            }
        }

        return ['candidates' => $candidates, 'differing' => $differing, 'findings' => [], 'working' => []];
    }
}
