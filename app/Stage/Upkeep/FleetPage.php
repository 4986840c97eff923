<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Models\SwitchStatus;
use App\Stage\Board\StatusBook;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Readiness\SiteReadiness;
use Escapement\Core\Schedule\Readiness\StormReadiness;
use Escapement\Core\Wire\Schedule\StormReadinessReader;
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

    /** @param list<SwitchStatus> $all of the company */
    public function __construct(array $all, public Carbon $now)
    {
        $all = array_values(array_filter($all, static fn(SwitchStatus $one): bool => $one->switch_id !== null));
        $statuses = array_values(array_filter($all, static fn(SwitchStatus $one): bool => $one->storm !== null));
        $this->withoutEngine = count($all) - count($statuses);
        if ($statuses === []) {
            $this->rows = $this->findings = [];
            $this->counts = ['ready' => 0, 'watch' => 0, 'act' => 0, 'not_ready' => 0];

            return;
        }
        $byName = [];
        foreach ($statuses as $one) {
            $name = mb_substr($one->name, 0, 48);
            $byName[isset($byName[$name]) ? "$name, $one->switch_id" : $name] = $one;
        }
        $input = (new StormReadinessReader())->input(Node::fromJson(json_encode([
            'today' => $now->format('Y-m-d'),
            'sites' => array_map(
                static fn(int|string $name, SwitchStatus $one): array => ['id' => (string) $name] + ($one->storm ?? []),
                array_keys($byName),
                array_values($byName),
            ),
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

    /** All switches of the signed-in company, as they were worked out last. */
    public static function ofCompany(int $companyId, Carbon $now): self
    {
        (new StatusBook($now))->freshen($companyId);

        $query = SwitchStatus::query();
        $query->orderBy('id');

        return new self(array_values($query->get()->all()), $now);
    }
}
