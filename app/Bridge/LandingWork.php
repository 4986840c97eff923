<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\TransferSwitch;
use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Terminations\Entry;
use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Terminations\Termination;
use Escapement\Core\Terminations\TerminationPlan;
use Illuminate\Support\Carbon;

/** The schedule of wires and the landings that follow from it, with what was put right by hand. Needs of the switch: site, loads, plan. */
final readonly class LandingWork
{
    /** @var list<WireRow> */
    public array $rows;
    /** @var list<Feeder> the runs that come out with a size */
    public array $feeders;
    /** @var list<Entry> */
    public array $entries;
    public LandingFacts $facts;
    /** @var array<string, EnclosureTable> by element */
    public array $enclosures;
    /** @var list<array{box: array<string, mixed>, answer: ?CalculationResult, fault: ?string}> */
    public array $boxes;
    public SiteBonding $bonding;
    /** @var list<string> feeders that cannot be proposed yet, in sentences */
    public array $waiting;

    public function __construct(TransferSwitch $switch, public PlanFacts $plan)
    {
        $runs = $switch->plan->runs ?? [];
        $units = new Units($switch->site->units);
        $this->rows = array_map(
            static fn(array $run): WireRow => new WireRow($run, $plan->system, $units),
            $runs === [] ? $plan->feeders()->feeders() : $runs,
        );
        $this->waiting = $runs === [] ? $plan->feeders()->waiting() : [];
        $this->feeders = array_values(array_filter(array_map(static fn(WireRow $row): ?Feeder => $row->feeder(), $this->rows)));
        $this->entries = Entry::of($this->feeders);
        $this->facts = new LandingFacts($switch, $plan->system);
        $this->bonding = $plan->bonding();
        $names = $plan->plan->names();
        $bonded = $this->bonding->bondedAfter();
        $kept = $switch->plan->landing ?? [];
        $today = Carbon::now($switch->site->timezone)->format('Y-m-d');
        $tables = [];
        foreach (self::merged(
            $kept['enclosures'] ?? [],
            (new TerminationPlan($this->facts->colours, $this->feeders))->enclosures(),
        ) as $id => $lines) {
            $tables[$id] = new EnclosureTable(
                $id,
                $names[$id] ?? $id,
                $lines,
                $this->facts->colours->name,
                in_array($id, $bonded, true),
                $today,
            );
        }
        $this->enclosures = $tables;
        $this->boxes = array_map($this->judged(...), array_values($kept['boxes'] ?? []));
    }

    /**
     * What was put right by hand stays; what the runs add or take away comes and goes with them.
     *
     * @param array<string, list<array<string, mixed>>> $kept
     * @param array<string, list<Termination>>              $usual
     *
     * @return array<string, list<array<string, mixed>>>
     */
    private static function merged(array $kept, array $usual): array
    {
        $tables = [];
        foreach ($usual as $id => $landings) {
            $before = [];
            foreach ($kept[$id] ?? [] as $place => $line) {
                $before[$line['conductor'] . '|' . $line['feeder']] = $line + ['place' => $place];
            }
            $lines = array_map(static function (Termination $landing, int $place) use ($before): array {
                $line = $before["$landing->conductor|$landing->feeder"] ?? [];

                // The size is the run's, whatever was typed when it was another.
                return ['size' => $landing->size] + array_filter(
                    $line,
                    static fn(mixed $value): bool => $value !== null,
                ) + $landing->toArray() + ['place' => $line === [] ? $place + 1000 : $place];
            }, $landings, array_keys($landings));
            usort($lines, static fn(array $a, array $b): int => $a['place'] <=> $b['place']);
            $tables[$id] = $lines;
        }

        return $tables;
    }

    /**
     * @param array<string, mixed> $box
     *
     * @return array{box: array<string, mixed>, answer: ?CalculationResult, fault: ?string}
     */
    private function judged(array $box): array
    {
        $byName = [];
        foreach ($this->feeders as $feeder) {
            $byName[$feeder->name] = $feeder;
        }
        $first = $byName[$box['from']] ?? null;
        $second = $byName[$box['to']] ?? null;
        if ($first === null || $second === null) {
            return ['box' => $box, 'answer' => null, 'fault' => 'One of its runs is no longer in the schedule.'];
        }
        try {
            return ['box' => $box, 'answer' => LandingFacts::box($box, $first, $second), 'fault' => null];
        } catch (\DomainException $e) {
            return ['box' => $box, 'answer' => null, 'fault' => $e->getMessage()];
        }
    }
}
