<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\TransferSwitch;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Logbook\LogbookSummary;
use Escapement\Core\Schedule\Readiness\SiteReadiness;
use Escapement\Core\Schedule\Readiness\StormReadiness;
use Escapement\Core\Schedule\Service\DueItem;
use Escapement\Core\Wire\Schedule\StormReadinessReader;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** All switches of a company before a storm: which would fail first, why, and the least work against it. */
final readonly class FleetPage
{
    /** @var list<FleetRow> greatest need first */
    public array $rows;

    /** @var list<Finding> */
    public array $findings;

    /** @var array<string, int> by grade */
    public array $counts;

    /** How many switches between two utilities are not judged: no engine has to start there. */
    public int $withoutEngine;

    /** @param Collection<int, TransferSwitch> $all with what a standing needs */
    public function __construct(Collection $all, public Carbon $now)
    {
        $switches = $all->filter(static fn(TransferSwitch $one): bool => $one->site->installation->hasGenerator())->values();
        $this->withoutEngine = $all->count() - $switches->count();
        if ($switches->isEmpty()) {
            $this->rows = $this->findings = [];
            $this->counts = ['ready' => 0, 'watch' => 0, 'act' => 0, 'not_ready' => 0];

            return;
        }
        $byName = [];
        foreach ($switches as $one) {
            $name = mb_substr($one->site->name, 0, 48);
            $byName[isset($byName[$name]) ? "$name, $one->name, $one->id" : $name] = $one;
        }
        $input = (new StormReadinessReader())->input(Node::fromJson(json_encode([
            'today' => $now->format('Y-m-d'),
            'sites' => array_map(self::facts(...), array_map(strval(...), array_keys($byName)), array_values($byName)),
        ], JSON_THROW_ON_ERROR)));
        $result = (new StormReadiness())->of($input);
        $order = $result->values['order'];
        $ranks = array_flip(is_array($order) ? array_filter($order, is_string(...)) : []);
        $rows = [];
        foreach ($input->sites as $site) {
            $rows[] = new FleetRow($byName[$site->id], new SiteReadiness($site, $input), $ranks[$site->id] + 1);
        }
        usort($rows, static fn(FleetRow $a, FleetRow $b): int => $a->rank <=> $b->rank);
        $this->rows = $rows;
        $this->findings = $result->findings;
        /** @var array<string, int> $counts */
        $counts = $result->values['counts'];
        $this->counts = $counts;
    }

    /** @return array<string, mixed> */
    private static function facts(string $name, TransferSwitch $switch): array
    {
        $now = Carbon::now();
        $page = new UpkeepPage($switch, $now);
        $facts = $page->facts;
        $overdue = array_filter(
            $page->due,
            static fn(DueItem $item): bool => in_array($item->state, ['overdue', 'never'], true),
        );
        $isServiceKnown = $facts->missing() === [] && $page->problem === null;
        $summary = $facts->counted() === [] ? null : (new LogbookSummary())->of($facts->logbook($now->copy()->subYear()));
        $active = data_get($summary?->values, 'alarms.active');

        return $facts->readiness(
            $name,
            count($page->standing->stops()) + ($switch->circuit->stops ?? 0),
            is_int($active) ? $active : null,
            $isServiceKnown ? count($overdue) : null,
        );
    }
}
