<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Bridge\LoadTestFacts;
use App\Jobs\FreshenStatuses;
use App\Models\LoadTest;
use App\Models\Site;
use App\Models\StatusChange;
use App\Models\SwitchStatus;
use App\Models\TransferSwitch;
use App\Stage\Hooks;
use App\Stage\SiteStanding;
use App\Stage\StageRow;
use App\Stage\Upkeep\StormFacts;
use App\Stage\Upkeep\UpkeepPage;
use Escapement\Core\LoadTest\RunType;
use Escapement\Core\Schedule\Day;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Keeps where each switch of the signed-in company stands (SwitchStatus). A site that was changed since, or was worked out on another day,
 * is worked out again: as many as time allows at once, the rest in the queue.
 *
 * @phpstan-import-type Ruler from SwitchStatus
 */
final readonly class StatusBook
{
    /** Longer nobody waits for a list. */
    private const PATIENCE_MS = 400;
    private const LATELY_DAYS = 366;
    private const STOP = 0;

    public function __construct(private Carbon $now) {}

    /** @return int how many sites are still to be worked out; the queue does them */
    public function freshen(int $companyId): int
    {
        $until = hrtime(true) + self::PATIENCE_MS * 1_000_000;
        $stale = $this->stale();
        while ($stale !== [] && hrtime(true) < $until) {
            $this->keep(array_shift($stale));
        }
        if ($stale !== []) {
            FreshenStatuses::dispatch($companyId);
        }

        return count($stale);
    }

    /** Works out all that is not as it should be. */
    public function freshenAll(): void
    {
        foreach ($this->stale() as $siteId) {
            $this->keep($siteId);
        }
    }

    /** @return list<int> sites: those that were changed first, then those of another day */
    public function stale(): array
    {
        $changed = StatusChange::query()->distinct()->orderBy('site_id')->pluck('site_id')->all();
        $old = SwitchStatus::query();
        $old->where('made_on', '<', $this->now->format('Y-m-d'))->distinct()->orderBy('site_id');

        return array_values(array_unique([...$changed, ...$old->pluck('site_id')->all()]));
    }

    /** Works out one site, and keeps it unless somebody else has kept one meanwhile, who may have seen more. */
    public function keep(int $siteId): void
    {
        $kept = SwitchStatus::query()->where('site_id', $siteId);
        $before = $kept->max('id');
        $stopped = (clone $kept)->where('rank', self::STOP)->pluck('switch_id')->all();
        $seen = StatusChange::query()->where('site_id', $siteId)->pluck('id')->all();
        $rows = $this->rows($siteId);
        DB::transaction(static function () use ($siteId, $seen, $rows, $before, $kept, $stopped): void {
            $site = Site::query();
            $site->lockForUpdate()->find($siteId);
            if ($kept->max('id') !== $before) {
                return;
            }
            $kept->delete();
            foreach ($rows as $row) {
                SwitchStatus::query()->create($row);
                if ($before !== null && $row['rank'] === self::STOP && ! in_array($row['switch_id'], $stopped, true)) {
                    self::tellStop($row);
                }
            }
            StatusChange::query()->whereKey($seen)->delete();
        });
    }

    /** @param array<string, mixed> $row of a switch that was not stopped before */
    private static function tellStop(array $row): void
    {
        Hooks::tell(is_int($row['company_id']) ? $row['company_id'] : 0, 'stop.found', [
            'site' => ['id' => $row['site_id'], 'name' => $row['name']], 'switch' => ['id' => $row['switch_id']],
            'finding' => ['claim' => $row['claim'], 'detail' => $row['detail'], 'path' => $row['path']],
        ]);
    }

    /** @return list<array<string, mixed>> columns of the statuses of a site as it is now; none where it is gone */
    public function rows(int $siteId): array
    {
        $site = Site::query()->with(array_map(static fn(string $need): string => "switches.$need", self::needs()))->find($siteId);
        if ($site === null) {
            return [];
        }
        $switches = $site->switches->all();

        return $switches === [] ? [$this->columns($site, null, false)] : array_values(array_map(
            fn(TransferSwitch $switch): array => $this->columns($site, $switch, count($switches) > 1),
            $switches,
        ));
    }

    /** @return list<string> what of a switch it reads */
    private static function needs(): array
    {
        return [...array_values(array_filter(SiteStanding::NEEDS, static fn(string $need): bool => $need !== 'site.switches')),
            'ownerReports'];
    }

    /** @return array<string, mixed> */
    private function columns(Site $site, ?TransferSwitch $switch, bool $namesSwitch): array
    {
        $switch?->setRelation('site', $site);
        $upkeep = $switch === null ? null : new UpkeepPage($switch, $this->now);
        $standing = $upkeep->standing ?? new SiteStanding($site, null);
        $latest = $standing->proof?->latest();
        $need = FirstNeed::of($standing);
        $tests = $switch === null || $upkeep === null ? [] : $this->tests($switch, $upkeep);

        return [
            'company_id' => $site->company_id, 'site_id' => $site->id, 'switch_id' => $switch?->id,
            'name' => mb_substr($site->name . ($namesSwitch ? ", $switch?->name" : ''), 0, 200),
            'kind' => $site->installation->short(), 'rank' => $need->rank, 'claim' => mb_substr($need->claim, 0, 300),
            'detail' => mb_substr($need->detail, 0, 400), 'path' => self::path($need->url),
            'stages' => array_map(self::stage(...), $standing->stages()),
            'proven_on' => $latest === null ? null : Carbon::parse($latest->at)->setTimezone($site->timezone)->format('Y-m-d'),
            'proven_by' => $latest === null ? null : mb_substr("{$standing->proof?->state->label()}, $latest->by", 0, 200),
            'is_proven' => $standing->isProven(), 'made_on' => $this->now->format('Y-m-d'),
            'ruler' => $upkeep === null ? ['tests' => [], 'done' => []] : $this->ruler($upkeep),
            'storm' => $switch !== null && $upkeep !== null
                && $site->installation->hasGenerator() ? StormFacts::of($switch, $upkeep) : null,
        ] + $tests + [
            'last_test_on' => null, 'last_test_words' => null, 'next_test_on' => null, 'next_test_words' => null, 'asks_tests' => false,
            'school' => null,
        ];
    }

    /** @return array<string, mixed> the last load test, and when the next is due by the school of the site */
    private function tests(TransferSwitch $switch, UpkeepPage $upkeep): array
    {
        $facts = new LoadTestFacts($switch);
        if ($facts->lacks() !== null) {
            return [];
        }
        $zone = $switch->site->timezone;
        $school = $upkeep->facts->upkeep->school ?? 'quarterly';
        $closed = $upkeep->facts->closedTests();
        $passed = array_filter($closed, static fn(LoadTest $one): bool => $one->verdict === 'pass');
        $last = array_pop($passed);
        $next = $facts->due($closed, $school, $this->now->copy()->setTimezone($zone)->format('Y-m-d'))->firstLoadTest();
        $kw = $last?->result['at_top']['kw'] ?? null;
        $minutes = $last?->result['proved_min'] ?? null;

        return [
            'last_test_on' => $last?->closed_at?->copy()->setTimezone($zone)->format('Y-m-d'),
            'last_test_words' => is_numeric($kw) && is_numeric($minutes) ? sprintf('%.3g kW, %d min', $kw, round((float) $minutes)) : null,
            'next_test_on' => $next === null || $next->status === 'never' ? null : $next->due,
            'next_test_words' => $next === null ? null : RunType::from($next->type)->label(),
            'asks_tests' => $next !== null, 'school' => $school,
        ];
    }

    /** @return Ruler */
    private function ruler(UpkeepPage $upkeep): array
    {
        $today = (int) Day::read($this->now->format('Y-m-d'));
        $marks = $upkeep->marks();
        $isRecent = static fn(array $one): bool => $one[0] >= $today - self::LATELY_DAYS;

        return [
            'tests' => array_values(array_filter($marks['tests'], $isRecent)),
            'done' => array_values(array_filter($marks['done'], $isRecent)),
        ];
    }

    /** @return array<string, mixed> */
    private static function stage(StageRow $row): array
    {
        return [
            'key' => $row->key, 'name' => $row->name, 'words' => $row->words, 'state' => $row->state, 'fraction' => $row->fraction,
            'path' => $row->url === null ? null : self::path($row->url),
        ];
    }

    /** An address without its host: the same on each node, whatever it is called. */
    private static function path(string $url): string
    {
        $query = parse_url($url, PHP_URL_QUERY);

        return parse_url($url, PHP_URL_PATH) . (is_string($query) ? "?$query" : '');
    }
}
