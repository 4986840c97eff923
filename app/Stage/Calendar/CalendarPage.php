<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Bridge\FleetCalendar;
use App\Drawing\Ruler\DayRuler;
use App\Models\TransferSwitch;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Schedule\Day;

/** The exercises of all sites by day, week or month: what clashes, and the nearest time that is free. */
final readonly class CalendarPage
{
    private const ROW_PX = ['day' => 22, 'week' => 19, 'month' => 17];
    private const KINDS = [
        'person_overlap' => 'the same person is needed twice', 'person_away' => 'who has to be there is away',
        'group' => 'a neighbor runs too',
        'block' => 'a time that is blocked', 'quiet' => 'quiet hours', 'sleep' => 'people sleep',
        'business_load' => 'load moves during work',
    ];

    public FleetCalendar $fleet;
    private CalendarRange $range;
    public int $from;
    public int $to;

    /** @param array<int, TransferSwitch> $switches with site, sheet, upkeep; by id */
    public function __construct(public array $switches, public string $view, int $on, public int $today)
    {
        $this->range = new CalendarRange($view, $on);
        $this->from = $this->range->from;
        $this->to = $this->range->to;
        $this->fleet = new FleetCalendar($switches, $this->from, $this->to);
    }

    public function ruler(): DayRuler
    {
        $clashing = [];
        foreach ($this->clashes() as $clash) {
            $clashing[$clash['switch']][$clash['utc']] = true;
        }
        $bars = [];
        foreach ($this->fleet->calendars as $id => $calendar) {
            foreach ($calendar->occurrences as $one) {
                $wall = $one->utcS + $one->offsetS;
                $bars[intdiv($wall, Day::S)][] = [
                    'from' => intdiv($wall % Day::S, 60), 'to' => intdiv($wall % Day::S + $one->endUtcS - $one->utcS, 60),
                    'words' => $this->switches[$id]->site->name, 'isLoaded' => $calendar->switch->exercise->isWithLoad,
                    'clashes' => isset($clashing[(string) $id][gmdate('Y-m-d\TH:i:s\Z', $one->utcS)]),
                ];
            }
        }
        $days = [];
        for ($day = $this->from; $day <= $this->to; $day++) {
            $ofDay = $bars[$day] ?? [];
            usort($ofDay, static fn(array $a, array $b): int => [$a['from'], $a['words']] <=> [$b['from'], $b['words']]);
            $days[] = [
                'label' => gmdate('D j M', $day * Day::S), 'isToday' => $day === $this->today, 'isOff' => Day::weekday($day) > 4,
                'bars' => $ofDay,
            ];
        }
        $count = array_sum(array_map(static fn(array $one): int => count($one['bars']), $days));

        return new DayRuler(
            $days,
            self::ROW_PX[$this->view],
            "{$this->range->title()}: $count exercises, " . count($this->clashes()) . ' of them clash.',
        );
    }

    /**
     * @return list<array{switch: string, local: string, utc: string, kinds: list<string>, with: list<string>, action: string,
     *     slot: ?array<string, mixed>, site: string, why: string, beside: string}> by the schema of exercise_clashes, with its words
     */
    public function clashes(): array
    {
        /**
         * @var list<array{switch: string, local: string, utc: string, kinds: list<string>, with: list<string>, action: string,
         *     slot: ?array<string, mixed>}> $found
         */
        $found = $this->fleet->clashes->values['clashes'] ?? [];

        return array_map(fn(array $one): array => $one + [
            'site' => $this->switches[(int) $one['switch']]->site->name,
            'why' => ucfirst(implode('; ', array_map(static fn(string $kind): string => self::KINDS[$kind], $one['kinds']))),
            'beside' => implode(', ', array_map(fn(string $id): string => $this->switches[(int) $id]->site->name, $one['with'])),
        ], $found);
    }

    /** @return list<array{switch: TransferSwitch, minutes: ?int, first: string}> the shift of the rule that frees a switch for good */
    public function shifts(): array
    {
        /** @var list<array{switch: string, shift_min: ?int, first_local: ?string}> $found */
        $found = $this->fleet->clashes->values['shifts'] ?? [];

        return array_map(fn(array $one): array => [
            'switch' => $this->switches[(int) $one['switch']], 'minutes' => $one['shift_min'],
            'first' => $one['first_local'] === null ? '' : gmdate('D j M, H:i', (int) strtotime($one['first_local'] . 'Z')),
        ], $found);
    }

    /** @return list<Finding> with the names of sites in the place of numbers */
    public function findings(): array
    {
        return $this->fleet->clashes->findings ?? [];
    }

    /**
     * The nearest free time of a clash, in words.
     *
     * @param array{action: string, slot: ?array<string, mixed>} $clash
     */
    public static function free(array $clash): string
    {
        $local = $clash['slot']['local'] ?? null;

        return match (true) {
            $clash['action'] === 'keep' => 'free once the others move',
            is_string($local) => str_replace('T', ' ', $local),
            default => 'none within a week',
        };
    }

    public static function shiftWords(int $minutes): string
    {
        $words = abs($minutes) >= 1440 && $minutes % 1440 === 0 ? abs(intdiv($minutes, 1440)) . ' days'
            : sprintf('%d:%02d h', intdiv(abs($minutes), 60), abs($minutes) % 60);

        return $words . ($minutes < 0 ? ' earlier' : ' later');
    }
}
