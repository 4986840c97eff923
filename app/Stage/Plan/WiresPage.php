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
use Escapement\Core\Power\SourceFeeder;
use Escapement\Core\Power\SourceFigures;
use Escapement\Core\Wiring\Raceways;

/** The schedule of every feeder: what was typed, and what it takes. */
final readonly class WiresPage
{
    public SiteStanding $standing;
    public Units $units;
    /** @var list<WireRow> */
    public array $rows;
    /** @var list<string> feeders that no size is proposed for yet, in sentences */
    public array $waiting;
    private ?SourceFigures $source;
    /** @var list<array{finding: Finding, runs: list<string>}> */
    private array $againstSource;
    /** @var array<string, string> the raceways the fill tables know, as the trade writes them */
    public array $raceways;
    /** @var array<string, string> */
    public array $metals;
    /** @var array<string, string> what a run can begin or end in */
    public array $enclosures;

    public function __construct(public TransferSwitch $switch, public ?Plan $kept)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $facts = new PlanFacts($switch, $kept);
        $this->raceways = [
            'emt' => 'EMT',
            'rmc' => 'RMC',
            'imc' => 'IMC',
            'pvc40' => 'PVC 40',
            'pvc80' => 'PVC 80',
            'fmc' => 'FMC',
            'lfmc' => 'LFMC',
            'lfnc' => 'LFNC',
            'ent' => 'ENT',
        ];
        $this->metals = ['cu' => 'Copper', 'al' => 'Aluminum'];
        $runs = $kept->runs ?? [];
        $this->waiting = $runs === [] ? $facts->feeders()->waiting() : [];
        $this->source = $facts->source;
        $this->rows = array_map(
            fn(array $run): WireRow => new WireRow($run, $facts->system, $this->units),
            $runs === [] ? $facts->feeders()->feeders() : $runs,
        );
        $this->againstSource = $this->judgedBySource($facts->number('generator_breaker_a'));
        $this->enclosures = array_filter(
            $facts->plan->names(),
            static fn(string $id): bool => ! str_starts_with($id, 'load-') && in_array($id, $facts->plan->enclosures(), true),
            ARRAY_FILTER_USE_KEY,
        );
    }

    /** @return list<array<string, mixed>> the rows as the form has them */
    public function lines(): array
    {
        return array_map(static fn($row): array => $row->run + ['length' => $row->length()], array_values($this->rows));
    }

    /** @return array<string, array{string, ?string}> label and unit of each figure of a feeder */
    public function figures(): array
    {
        return [
            'amps' => ['Load current', 'A'], 'ocpd_a' => ['Overcurrent device', 'A'], 'max_ocpd_a' => ['Nameplate maximum', 'A'],
            'length' => ['Length', $this->units->length()], 'sets' => ['Sets', null],
        ];
    }

    /** @return array<string, array{string, array<array-key, string>, string}> label, options and the usual one of each choice */
    public function choices(): array
    {
        return [
            'material' => ['Conductor material', $this->metals, 'cu'],
            'location' => ['Location', ['dry' => 'Dry', 'wet' => 'Wet or outdoors', 'buried' => 'Buried'], 'dry'],
            'raceway' => ['Raceway', $this->raceways, 'pvc40'],
            'trade_size' => ['Trade size', array_combine(Raceways::TRADE_SIZES, Raceways::TRADE_SIZES), '2'],
        ];
    }

    public function isProposed(): bool
    {
        return ($this->kept->runs ?? []) === [];
    }

    /** @return list<array{finding: Finding, runs: list<string>}> the feeders of the source that are planned for less than it gives */
    private function judgedBySource(?float $breakerA): array
    {
        $told = [];
        $legA = $this->source?->legA;
        if ($legA === null) {
            return [];
        }
        foreach ($this->rows as $row) {
            $isOfSource = in_array($row->typed('from'), ['gen', 'inlet'], true);
            $finding = $isOfSource ? SourceFeeder::judge(
                (float) $row->typed('amps'),
                (float) $row->typed('ocpd_a'),
                $legA,
                $breakerA,
            ) : null;
            if ($finding !== null) {
                $told[] = ['finding' => $finding, 'runs' => [$row->typed('name')]];
            }
        }

        return $told;
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

        return [...$this->againstSource, ...array_values($told)];
    }
}
