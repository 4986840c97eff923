<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Bridge\Units;
use App\Bridge\WireRow;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;

/** The schedule of every feeder: what was typed, and what it takes. */
final readonly class WiresPage
{
    public SiteStanding $standing;
    public Units $units;
    /** @var list<WireRow> */
    public array $rows;
    /** @var array<string, string> the raceways the fill tables know, as the trade writes them */
    public array $raceways;
    /** @var array<string, string> what a run can begin or end in */
    public array $enclosures;

    public function __construct(public TransferSwitch $switch, public ?Plan $kept)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $facts = new PlanFacts($switch, $kept);
        $this->raceways = ['emt' => 'EMT', 'rmc' => 'RMC', 'pvc40' => 'PVC 40', 'pvc80' => 'PVC 80', 'lfmc' => 'LFMC'];
        $runs = $kept->runs ?? [];
        $this->rows = array_map(fn(array $run): WireRow => new WireRow($run, $facts->system, $this->units), $runs === [] ? $facts->plan->feeders() : $runs);
        $this->enclosures = array_filter($facts->plan->names(), static fn(string $id): bool => ! str_starts_with($id, 'load-') && in_array($id, $facts->plan->enclosures(), true), ARRAY_FILTER_USE_KEY);
    }

    public function isProposed(): bool
    {
        return ($this->kept->runs ?? []) === [];
    }

    /** @return list<array{finding: Finding, runs: list<string>}> each once, with the runs it is about */
    public function findings(): array
    {
        $told = [];
        foreach ($this->rows as $row) {
            foreach ($row->findings as $finding) {
                $told[$finding->message] ??= ['finding' => $finding, 'runs' => []];
                $told[$finding->message]['runs'][] = $row->typed('name');
            }
        }

        return array_values($told);
    }
}
