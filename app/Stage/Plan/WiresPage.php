<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Bridge\Units;
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

    public function __construct(public TransferSwitch $switch, public ?Plan $kept)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->units = new Units($switch->site->units);
        $system = (new PlanFacts($switch, $kept))->system;
        $this->raceways = ['emt' => 'EMT', 'rmc' => 'RMC', 'pvc40' => 'PVC 40', 'pvc80' => 'PVC 80', 'lfmc' => 'LFMC'];
        $runs = $kept->runs ?? [];
        $this->rows = array_map(fn(array $run): WireRow => new WireRow($run, $system, $this->units), $runs === [] ? $this->usual() : $runs);
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

    /** @return list<array<string, mixed>> the runs that such an installation has, to begin with */
    private function usual(): array
    {
        $serviceA = $this->switch->site->service_a ?? 200;
        $run = static fn(string $name, int $amps, int $ocpdA, float $lengthM, string $material, string $trade, string $dwelling = '0', string $service = '0'): array => [
            'name' => $name, 'amps' => $amps, 'ocpd_a' => $ocpdA, 'length_m' => $lengthM, 'material' => $material, 'raceway' => 'pvc40', 'trade_size' => $trade, 'dwelling' => $dwelling, 'service' => $service,
        ];

        return [
            $run('Meter to switch', (int) round(0.8 * $serviceA), $serviceA, 3, 'al', '2', '1', $this->switch->service_rated ? '1' : '0'),
            $run('Switch to panel', (int) round(0.8 * $serviceA), $serviceA, 3, 'al', '2', '1'),
            $run('Generator to switch', 80, 100, 15, 'cu', '1-1/4'),
        ];
    }
}
