<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\Site;
use App\Models\StatusChange;
use App\Models\SwitchStatus;
use App\Models\TransferSwitch;
use App\Stage\StageRow;
use Illuminate\Support\Carbon;

/**
 * Where a switch stands, stage by stage, from its kept status: for pages that show it beside something else and need none of what it was
 * worked out from. What was changed since is worked out first, so it says what SiteStanding says. Needs of the switch: site.switches.
 */
final readonly class KeptTrain
{
    public Site $site;
    private SwitchStatus $status;

    public function __construct(public TransferSwitch $switch)
    {
        $this->site = $switch->site;
        $changes = StatusChange::query();
        $isChanged = $changes->where('site_id', $switch->site_id)->exists();
        $kept = $isChanged ? null : $this->kept();
        if ($kept === null) {
            (new StatusBook(Carbon::now()))->keep($switch->site_id);
        }
        $this->status = $kept ?? $this->kept() ?? throw new \LogicException('A switch has a status once it was worked out.');
    }

    /** @return list<StageRow> */
    public function stages(): array
    {
        return self::rows($this->status);
    }

    /** @return list<StageRow> */
    public static function rows(SwitchStatus $status): array
    {
        return array_map(static fn(array $one): StageRow => new StageRow(
            $one['key'],
            $one['name'],
            $one['words'],
            $one['state'],
            (float) $one['fraction'],
            $one['path'],
        ), $status->stages);
    }

    public function date(Carbon $date): string
    {
        return $date->copy()->setTimezone($this->site->timezone)->format('j M Y');
    }

    private function kept(): ?SwitchStatus
    {
        $query = SwitchStatus::query();
        $query->where('site_id', $this->switch->site_id)->where('switch_id', $this->switch->id);

        return $query->first(['id', 'company_id', 'site_id', 'switch_id', 'stages']);
    }
}
