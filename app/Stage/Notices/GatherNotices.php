<?php

declare(strict_types=1);

namespace App\Stage\Notices;

use App\Bridge\UpkeepFacts;
use App\Models\Equipment;
use App\Models\HandoverLink;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Commissioning\Proof\StandingState;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Schedule\Service\DueItem;
use Escapement\Core\Schedule\Service\EngineHours;
use Escapement\Core\Schedule\Service\ServiceDue;
use Illuminate\Support\Carbon;

/** The notices of a company as it stands now, read as the signed-in user. */
final readonly class GatherNotices
{
    private const LATELY_DAYS = 9;
    private const CALIBRATION_DAYS = 30;
    private const LINK_DAYS = 14;
    private const MOST_NAMED = 4;

    public function __construct(private Carbon $now) {}

    /** @return list<array{kind: string, key: string, switch: ?int, claim: string, detail: string}> */
    public function all(): array
    {
        $notices = [...$this->ofEquipment(), ...$this->ofLinks()];
        $query = TransferSwitch::query();
        $query->orderBy('id');
        foreach ($query->with([...SiteStanding::NEEDS, 'ownerReports'])->get() as $switch) {
            array_push($notices, ...$this->ofSwitch($switch));
        }

        return $notices;
    }

    /** @return list<array{kind: string, key: string, switch: ?int, claim: string, detail: string}> */
    private function ofSwitch(TransferSwitch $switch): array
    {
        $name = $switch->site->name;
        $facts = UpkeepFacts::of($switch, $this->now);
        $notices = [];
        $add = static function (string $kind, string $key, string $claim, string $detail) use (&$notices, $switch): void {
            $notices[] = [
                'kind' => $kind, 'key' => "$kind/$switch->id/$key", 'switch' => $switch->id, 'claim' => $claim, 'detail' => $detail,
            ];
        };
        foreach ($switch->ownerReports as $report) {
            $add('owner', $report->id, "$name: the owner says something", (string) ($report->fields['code'] ?? '') . ". $report->note");
        }
        foreach ($facts->lines->of('exercise') as $entry) {
            if ($this->isMissed($entry)) {
                $add('exercise', $entry->id, "$name: an exercise did not run", 'Written down for ' . $entry->at->format('j M Y') . '.');
            }
        }
        if (in_array($facts->upkeep?->selector, ['off', 'manual', 'test'], true)) {
            $add(
                'selector',
                $facts->upkeep->selector . $facts->upkeep->updated_at?->timestamp,
                "$name: the selector is not at automatic",
                'It '
                . "was seen at {$facts->upkeep->selector}. At an outage it will not start by itself.",
            );
        }
        $overdue = $this->overdue($facts);
        if ($overdue !== []) {
            $words = implode(', ', array_slice($overdue, 0, self::MOST_NAMED)) . (count($overdue) > self::MOST_NAMED ? ' and more' : '');
            $add('service', implode('|', $overdue), "$name: work is overdue", "$words.");
        }
        $standing = new SiteStanding($switch->site, $switch);
        if ($standing->proof?->state === StandingState::Stale) {
            $changes = implode('; ', array_slice($standing->changes(), 0, 3));
            $add('stale', $changes, "$name was changed after it was proved", "$changes.");
        }

        return $notices;
    }

    private function isMissed(LogEntry $entry): bool
    {
        return $entry->kind === 'exercise' && ($entry->fields['done'] ?? null) === false
            && $entry->at->greaterThan($this->now->copy()->subDays(self::LATELY_DAYS));
    }

    /** @return list<string> */
    private function overdue(UpkeepFacts $facts): array
    {
        try {
            $input = $facts->service();
        } catch (BadInput) {
            return []; // the Schedule page says what does not fit
        }
        $late = $input === null ? [] : array_filter(
            ServiceDue::items($input, new EngineHours($input)),
            static fn(DueItem $one): bool => $one->state === 'overdue',
        );

        return array_values(array_map(static fn(DueItem $one): string => str_replace('_', ' ', $one->item->id), $late));
    }

    /** @return list<array{kind: string, key: string, switch: ?int, claim: string, detail: string}> */
    private function ofEquipment(): array
    {
        $query = Equipment::query();
        $query->whereNull('retired_at')->whereNotNull('calibrated_until')
            ->where('calibrated_until', '<=', $this->now->copy()->addDays(self::CALIBRATION_DAYS)->format('Y-m-d'));

        return array_values(array_map(static fn(Equipment $one): array => [
            'kind' => 'calibration', 'key' => "calibration/$one->id/{$one->calibrated_until?->format('Y-m-d')}", 'switch' => null,
            'claim' => "$one->name: its calibration ends", 'detail' => "Calibrated until {$one->calibrated_until?->format('j M Y')}.",
        ], $query->get()->all()));
    }

    /** @return list<array{kind: string, key: string, switch: ?int, claim: string, detail: string}> */
    private function ofLinks(): array
    {
        $query = HandoverLink::query();
        $query->whereNull('revoked_at')->whereBetween('expires_at', [$this->now, $this->now->copy()->addDays(self::LINK_DAYS)]);

        return array_values(array_map(static fn(HandoverLink $one): array => [
            'kind' => 'link', 'key' => "link/$one->id", 'switch' => $one->run->switch_id,
            'claim' => "{$one->run->switch->site->name}: the owner's link ends",
            'detail' => "It opens until {$one->expires_at->format('j M Y')}; make another one in the report.",
        ], $query->with('run.switch.site')->get()->all()));
    }
}
