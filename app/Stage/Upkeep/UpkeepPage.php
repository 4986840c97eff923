<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\ExerciseFacts;
use App\Bridge\UpkeepFacts;
use App\Drawing\Ruler\YearRuler;
use App\Models\LoadTest;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\HeardDevice;
use App\Stage\Schools;
use App\Stage\SiteStanding;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Plant\SelfActing;
use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Occurrence;
use Escapement\Core\Schedule\Service\DueItem;
use Escapement\Core\Schedule\Service\EngineHours;
use Escapement\Core\Schedule\Service\ServiceDue;
use Escapement\Core\Schedule\SwitchCalendar;
use Illuminate\Support\Carbon;

/** When the set starts by itself, what is due on it, and when somebody goes there. */
final readonly class UpkeepPage
{
    /** Items of service whose id does not read as words. */
    private const ITEMS = [
        'alarms_sensors' => 'Alarms and sensors', 'clock_firmware' => 'Clock and firmware', 'battery_replace' => 'New start battery',
        'enclosure_exhaust' => 'Enclosure and exhaust', 'torque_witness' => 'Witness marks of the torque',
    ];
    private const AHEAD_DAYS = 120;
    private const SHOWN = 8;

    public SiteStanding $standing;
    public UpkeepFacts $facts;
    public ?SwitchCalendar $calendar;

    /** @var list<DueItem> the most urgent first */
    public array $due;

    /** @var list<array{date: string, items: list<string>, minutes: float, skills: list<string>}> */
    public array $visits;

    /** @var list<Finding> */
    public array $findings;

    public ?float $hoursNow;

    /** Why nothing can be said of what is due. */
    public ?string $problem;

    public function __construct(public TransferSwitch $switch, Carbon $now)
    {
        $this->standing = new SiteStanding($switch->site, $switch);
        $this->facts = UpkeepFacts::of($switch, $now);
        $this->calendar = ExerciseFacts::calendar($switch, $now, self::AHEAD_DAYS);
        $service = $problem = null;
        try {
            $service = $this->facts->service();
        } catch (BadInput $bad) {
            $problem = 'The logbook and the day of installation do not fit together: ' . lcfirst($bad->getMessage());
        }
        $this->problem = $problem;
        $result = $service === null ? null : (new ServiceDue())->of($service);
        $items = $service === null ? [] : ServiceDue::items($service, new EngineHours($service));
        usort($items, static fn(DueItem $a, DueItem $b): int => ($a->due ?? PHP_INT_MAX) <=> ($b->due ?? PHP_INT_MAX));
        $this->due = $items;
        $this->findings = $result->findings ?? [];
        /** @var list<array{date: string, items: list<string>, minutes: float, skills: list<string>}> $visits */
        $visits = $result->values['visits'] ?? [];
        $this->visits = $visits;
        $hours = $result->values['hours_now'] ?? null;
        $this->hoursNow = is_float($hours) ? $hours : null;
    }

    public function ruler(int $width = 760): YearRuler
    {
        $days = array_map(fn(Occurrence $one): int => intdiv($one->utcS + $one->offsetS, Day::S), $this->calendar->occurrences ?? []);
        $marks = $this->marks();
        $overdue = array_filter($this->due, static fn(DueItem $one): bool => $one->due !== null);

        return new YearRuler(
            (int) Day::read($this->facts->today()),
            $days,
            $marks['done'],
            $marks['tests'],
            array_map(static fn(DueItem $one): array => [(int) $one->due, $one->item->id], array_values($overdue)),
            $width,
        );
    }

    /** @return array{tests: list<array{int, bool}>, done: list<array{int, bool}>} days of load tests and exercises, and how they went */
    public function marks(): array
    {
        $done = $this->facts->lines->of('exercise');

        return [
            'tests' => array_map(
                fn(LoadTest $test): array => [$this->dayOf($test->closed_at ?? Carbon::now()), $test->verdict === 'pass'],
                $this->facts->closedTests(),
            ),
            'done' => array_map(fn(LogEntry $one): array => [$this->dayOf($one->at), ($one->fields['done'] ?? false) === true], $done),
        ];
    }

    /** @return list<Occurrence> the next starts */
    public function next(): array
    {
        return array_slice($this->calendar->occurrences ?? [], 0, self::SHOWN);
    }

    public static function local(Occurrence $one): string
    {
        return gmdate('D j M Y, H:i', $one->utcS + $one->offsetS);
    }

    public static function day(?int $day): string
    {
        return $day === null ? 'not known' : gmdate('j M Y', $day * Day::S);
    }

    /** @return list<HeardDevice> devices of this switch that report by themselves */
    public function heard(): array
    {
        return HeardDevice::all($this->switch);
    }

    public function acts(): SelfActing
    {
        return new SelfActing($this->switch->site->installation);
    }

    /** @return array<string, array{string, array<array-key, string>, string}> label, choices, and what is known now */
    public function choices(): array
    {
        $known = $this->facts->upkeep;

        return [
            ...($this->facts->hasEngine() ? [
                'cooling' => ['Cooling of the engine', ['' => 'not known', 'air' => 'air', 'liquid' => 'liquid'], $known->cooling ?? ''],
            ] : []),
            ...($this->switch->site->installation->hasGenerator() ? [
                'school' => ['Load tests asked for', Schools::WORDS, $known->school ?? 'quarterly'],
            ] : []),
            'priority' => [
                'Urgency in a storm',
                ['1' => '1', '2' => '2', '3' => '3', '4' => '4', '5' => '5, most urgent'],
                (string) ($known->priority ?? 3),
            ],
            'selector' => [
                'Selector, as seen last',
                ['' => 'not known', 'auto' => 'auto', 'off' => 'off', 'manual' => 'manual', 'test' => 'test'],
                $known->selector ?? '',
            ],
        ];
    }

    /** @return array<int, string> who works here, by id */
    public function people(): array
    {
        $query = User::query();
        $query->where('company_id', $this->switch->company_id)->whereNull('left_at')->orderBy('name');

        return $query->pluck('name', 'id')->all();
    }

    /** Null where the engine is not known, or has no service. */
    public function intervals(): ?IntervalForm
    {
        $generic = $this->facts->genericItems();

        return $generic === [] ? null : new IntervalForm($this->switch, $generic);
    }

    /** How it stands with an item of service, in a few words. */
    public static function standing(DueItem $one): string
    {
        return match ($one->state) {
            'never' => 'not on record',
            'overdue' => 'overdue since ' . self::day($one->due),
            default => 'due ' . self::day($one->due),
        };
    }

    public static function item(string $id): string
    {
        return self::ITEMS[$id] ?? ucfirst(str_replace('_', ' ', $id));
    }

    /** Why it is due then, in one line. */
    public static function working(DueItem $one): string
    {
        $words = [];
        if ($one->hours !== null && $one->dueH !== null) {
            $since = $one->lastH === null ? 'the beginning' : sprintf('%.1f h', $one->lastH);
            $words[] = sprintf('%g h after %s, at %.1f h', $one->hours, $since, $one->dueH);
        }
        if ($one->months !== null) {
            $words[] = "$one->months months after " . ($one->lastDay === null ? 'installation' : self::day($one->lastDay));
        }

        return implode('; ', $words) . ($one->item->isGeneric ? '; generic interval' : '');
    }

    private function dayOf(Carbon $at): int
    {
        return (int) Day::read($at->copy()->setTimezone($this->switch->site->timezone)->format('Y-m-d'));
    }

    /** How an exercise of the calendar runs. */
    public function wordsOf(Occurrence $one): string
    {
        return ($this->calendar?->switch->exercise->isWithLoad === true ? 'with load' : 'without load')
            . ($one->isShifted ? ', moved by the change of the clock' : '');
    }
}
