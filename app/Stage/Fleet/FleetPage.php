<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\SwitchStatus;
use App\Stage\Board\StatusBook;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Readiness\ReadinessInput;
use Escapement\Core\Schedule\Readiness\SiteReadiness;
use Escapement\Core\Schedule\Readiness\StormReadiness;
use Escapement\Core\Wire\Schedule\StormReadinessReader;
use Illuminate\Support\Carbon;

/** All switches of a company before a storm: which would fail first, why, and the least work against it. */
final readonly class FleetPage
{
    private const AT_ONCE = 500;
    private const MOST_SHOWN = 100;

    /** @var list<Finding> */
    public array $findings;

    /** @var array<string, int> by grade */
    public array $counts;

    /** How many switches between two utilities are not judged: no engine has to start there. */
    public int $withoutEngine;

    /** How many are judged. */
    public int $count;

    /** @var list<SiteReadiness> greatest need first */
    private array $sites;

    /** @var array<array-key, SwitchStatus> */
    private array $byName;

    /** @param list<SwitchStatus> $all of the company */
    public function __construct(array $all, private Carbon $now)
    {
        $all = array_values(array_filter($all, static fn(SwitchStatus $one): bool => $one->switch_id !== null));
        $byName = [];
        foreach ($all as $one) {
            if ($one->hasEngine()) {
                $name = mb_substr($one->name, 0, 48);
                $byName[isset($byName[$name]) ? "$name, $one->switch_id" : $name] = $one;
            }
        }
        $this->byName = $byName;
        $this->count = count($byName);
        $this->withoutEngine = count($all) - $this->count;
        $readiness = new StormReadiness();
        $this->sites = $byName === [] ? [] : $readiness->ranked($this->input($byName));
        $this->counts = StormReadiness::counts($this->sites);
        $this->findings = $this->sites === [] ? [] : $readiness->findings($this->sites);
    }

    /** @return \Generator<FleetRow> greatest need first */
    public function rows(): \Generator
    {
        foreach ($this->sites as $i => $one) {
            yield new FleetRow($this->byName[$one->site->id], $one, $i + 1);
        }
    }

    /** @return list<FleetRow> as many as a page can show */
    public function shown(): array
    {
        return iterator_to_array(new \LimitIterator($this->rows(), 0, self::MOST_SHOWN), false);
    }

    public function notShown(): int
    {
        return max(0, $this->count - self::MOST_SHOWN);
    }

    /**
     * The wire takes so many sites at once; the calculation takes any number.
     *
     * @param non-empty-array<SwitchStatus> $byName
     */
    private function input(array $byName): ReadinessInput
    {
        $sites = [];
        $part = null;
        foreach (array_chunk($byName, self::AT_ONCE, true) as $some) {
            $part = (new StormReadinessReader())->input(new Node((object) [
                'today' => $this->now->format('Y-m-d'),
                'sites' => array_map(static function (int|string $name, SwitchStatus $one): \stdClass {
                    $facts = $one->stormFacts();
                    $facts->id = (string) $name;

                    return $facts;
                }, array_keys($some), array_values($some)),
            ]));
            array_push($sites, ...$part->sites);
        }

        return new ReadinessInput($part->today, $part->target, $part->fuelDaysWanted, $part->weights, $part->minutes, $sites);
    }

    /** All switches of the signed-in company, as they were worked out last. */
    public static function ofCompany(int $companyId, Carbon $now): self
    {
        (new StatusBook($now))->freshen($companyId);
        $query = SwitchStatus::query();
        $query->orderBy('id');

        return new self(array_values($query->get(['id', 'company_id', 'switch_id', 'name', 'kind', 'storm'])->all()), $now);
    }
}
