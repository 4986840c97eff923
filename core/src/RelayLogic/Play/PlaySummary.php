<?php

declare(strict_types=1);

namespace Escapement\Core\RelayLogic\Play;

use Escapement\Core\Finding\WorkingLine;

/** What a run comes to. Rule: docs/rules.md#relay-play. */
final readonly class PlaySummary
{
    /** @param array<string, PlayEngine> $engines by supply */
    public function __construct(
        private PlayInput $input,
        private PlayState $state,
        private PlayLog $log,
        private array $engines,
    ) {}

    /** @param ?array{device: string, at_ms: int, steps: int} $hunting */
    public function result(
        int $ended,
        ?array $hunting,
        bool $isCovered,
        bool $neverSettles,
        bool $hasFault,
        bool $hasMovedAgainstHandle,
    ): PlayResult {
        $dark = $this->log->stretch('dark');
        $engines = [];
        foreach ($this->engines as $supply => $engine) {
            $engines[$supply] = [
                'state' => $engine->state->value, 'called' => $engine->isCalled, 'starts' => $engine->starts,
                'run_ms' => $engine->runMs($ended),
            ];
        }
        $phases = range(0, $this->input->circuit->isThreePhase ? 2 : 0);
        $findings = new PlayFindings($this->input, $this->state, $this->log, $this->engines, $ended);

        return new PlayResult(
            $this->log->events,
            (object) $this->log->tracks,
            $this->log->load,
            $dark->until($ended),
            $dark->totalMs($ended),
            array_map(fn(int $phase): int => $this->log->stretch("dark:$phase")->totalMs($ended), $phases),
            $this->log->bothClosed,
            (object) $engines,
            $hunting,
            $isCovered,
            $ended,
            $this->final(),
            $findings->all($hunting, $isCovered, $neverSettles, $hasFault, $hasMovedAgainstHandle),
            $this->working($dark->until($ended)),
        );
    }

    /** @return array<string, mixed> */
    private function final(): array
    {
        $positions = [];
        foreach ($this->state->moving as $device) {
            $positions[$device->id] = $this->log->word($device);
        }
        $feeding = $this->state->bus()->feeding;

        return [
            'positions' => (object) $positions,
            'closed' => array_map(strval(...), array_keys($this->state->closedMains())),
            'feeds' => count($feeding) > 1 ? 'both' : $feeding[0] ?? null,
            'bus_live' => $this->log->isBusLive(),
            'lit' => array_map(strval(...), array_keys(array_filter($this->log->lamps()))),
        ];
    }

    /**
     * @param list<array{from_ms: int, to_ms: int}> $dark
     *
     * @return list<WorkingLine>
     */
    private function working(array $dark): array
    {
        $spans = array_map(static fn(array $span): string => "({$span['to_ms']} - {$span['from_ms']})", $dark);
        $lines = [new WorkingLine(
            'Load without voltage',
            $spans === [] ? 'never below half of nominal' : implode(' + ', $spans),
            array_sum(array_map(static fn(array $span): int => $span['to_ms'] - $span['from_ms'], $dark)),
            'ms',
        )];
        foreach ($this->log->bothClosed as $both) {
            $lines[] = new WorkingLine('Both sources closed', "{$both['to_ms']} - {$both['from_ms']}", $both['ms'], 'ms');
        }

        return $lines;
    }
}
