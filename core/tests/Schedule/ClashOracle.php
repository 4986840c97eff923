<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

/**
 * The clashes of a week in one zone without summer time, written down once more and slowly: a run is the set of its minutes, and every
 * question is asked of sets. It knows daily and weekly exercises only.
 */
final class ClashOracle
{
    private const DAY = 1440;
    private const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** @var list<array{switch: int, s: int, wall: int, len: int}> */
    private array $runs = [];
    private int $first;
    /** @var array<string, array<int, true>> minutes by what they are of */
    private array $hours = [];
    /** @var array<string, array<int, true>> likewise of blocks */
    private array $blocks = [];

    /** @param array<string, mixed> $in as `exercise_clashes` takes it */
    public function __construct(private readonly array $in)
    {
        $this->first = self::day($in['from']);
        for ($day = $this->first; $day <= self::day($in['to']); $day++) {
            foreach ($in['switches'] as $i => $switch) {
                $exercise = $switch['exercise'];
                $isDue = $exercise['every'] === 'daily' || $exercise['day'] === self::weekday($day);
                if ($isDue && ! in_array($day, array_map(self::day(...), $exercise['skip'] ?? []), true)) {
                    $s = self::DAY * $day + self::clock($exercise['time']);
                    $this->runs[] = ['switch' => $i, 's' => $s, 'wall' => $s, 'len' => $exercise['for_min']];
                }
            }
        }
        usort($this->runs, static fn(array $a, array $b): int => [$a['switch'], $a['s']] <=> [$b['switch'], $b['s']]);
    }

    /** @return array{clashes: list<array{string, list<string>, list<string>, string, ?int}>, shifts: array<string, ?int>} */
    public function told(): array
    {
        $found = array_map(fn(int $i): array => $this->kinds($i), array_keys($this->runs));
        $with = array_map(fn(int $i): array => $this->with($i, $found[$i]), array_keys($this->runs));
        $shifts = [];
        foreach (array_keys($this->in['switches']) as $switch) {
            $own = array_keys(array_filter($this->runs, static fn(array $run): bool => $run['switch'] === $switch));
            if (array_filter($own, static fn(int $i): bool => $found[$i] !== []) !== []) {
                $shifts[$this->in['switches'][$switch]['id']] = $this->commonShift($own);
            }
        }
        $order = array_keys($this->runs);
        $runs = $this->runs;
        usort($order, static fn(int $a, int $b): int => [$runs[$a]['s'], $runs[$a]['switch']] <=> [$runs[$b]['s'], $runs[$b]['switch']]);
        $clashes = [];
        foreach ($order as $place => $i) {
            if ($found[$i] !== []) {
                $shift = $this->settle($i, array_slice($order, 0, $place));
                $action = $shift === 0 ? 'keep' : ($shift === null ? 'none' : 'move');
                $id = $this->in['switches'][$this->runs[$i]['switch']]['id'];
                $clashes[] = [$id, $found[$i], $with[$i], $action, $shift === 0 ? null : $shift];
            }
        }

        return ['clashes' => $clashes, 'shifts' => $shifts];
    }

    /** @param list<int> $before settled already */
    private function settle(int $i, array $before): ?int
    {
        $kinds = array_diff($this->kinds($i), ['person_overlap', 'group']);
        if (array_diff($kinds, []) === [] && array_intersect($this->kinds($i, $before), ['person_overlap', 'group']) === []) {
            return 0;
        }
        $stood = $this->runs[$i]['s'];
        foreach ($this->tries() as $shift) {
            $this->runs[$i]['s'] = $this->runs[$i]['wall'] + $shift;
            if (! $this->isSkipped($i) && ! $this->meetsOwn($i) && $this->kinds($i) === []) {
                return $shift;
            }
        }
        $this->runs[$i]['s'] = $stood;

        return null;
    }

    /** @param list<int> $own */
    private function commonShift(array $own): ?int
    {
        foreach ($this->tries() as $shift) {
            $isFree = true;
            foreach ($own as $i) {
                $stood = $this->runs[$i]['s'];
                $this->runs[$i]['s'] = $this->runs[$i]['wall'] + $shift;
                $isFree = $isFree && ! $this->isSkipped($i) && $this->kinds($i) === [];
                $this->runs[$i]['s'] = $stood;
            }
            if ($isFree) {
                return $shift;
            }
        }

        return null;
    }

    /** @return list<int> */
    private function tries(): array
    {
        $step = $this->in['search']['step_min'];
        $tries = [];
        for ($shift = $step; $shift <= $this->in['search']['days'] * self::DAY; $shift += $step) {
            array_push($tries, $shift, -$shift);
        }

        return $tries;
    }

    private function isSkipped(int $i): bool
    {
        $exercise = $this->in['switches'][$this->runs[$i]['switch']]['exercise'];
        $day = intdiv($this->runs[$i]['s'], self::DAY);
        $isPaused = array_filter(
            $exercise['pauses'] ?? [],
            static fn(array $one): bool => $day >= self::day($one['from']) && $day <= self::day($one['to']),
        ) !== [];

        return $isPaused || in_array($day, array_map(self::day(...), $exercise['skip'] ?? []), true);
    }

    private function meetsOwn(int $i): bool
    {
        foreach ($this->runs as $j => $run) {
            $isOwn = $j !== $i && $run['switch'] === $this->runs[$i]['switch'];
            if ($isOwn && array_intersect_key($this->minutes($i), $this->minutes($j)) !== []) {
                return true;
            }
        }

        return false;
    }

    /** @return array<int, true> the minutes of a run, and as many behind it */
    private function minutes(int $i, int $more = 0): array
    {
        return array_fill($this->runs[$i]['s'], $this->runs[$i]['len'] + $more, true);
    }

    /**
     * @param ?list<int> $counted other runs; null: all
     *
     * @return list<string>
     */
    private function kinds(int $i, ?array $counted = null): array
    {
        $switch = $this->in['switches'][$this->runs[$i]['switch']];
        $mine = $this->minutes($i);
        $person = $this->named('people', $switch['person'] ?? null);
        $blocked = false;
        foreach ($this->in['blocks'] ?? [] as $block) {
            $minutes = $this->blocks[$block['id']]
                ??= array_fill(self::instant($block['from']), self::instant($block['to']) - self::instant($block['from']), true);
            $isMine = in_array($switch['id'], $block['switches'] ?? [$switch['id']], true);
            $blocked = $blocked || $isMine && array_intersect_key($mine, $minutes) !== [];
        }
        $meets = fn(string $hours): bool => array_intersect_key($mine, $this->hours($switch[$hours] ?? [])) !== [];

        return array_keys(array_filter([
            'person_overlap' => $this->ofPerson($i, $counted) !== [],
            'person_away' => $person !== null && array_diff_key($mine, $this->hours($person['hours'], $person['absences'] ?? [])) !== [],
            'group' => $this->isGroupFull($i, $counted),
            'block' => $blocked, 'quiet' => $meets('quiet_hours'), 'sleep' => $meets('sleep_hours'),
            'business_load' => ($switch['exercise']['with_load'] ?? false) && $meets('business_hours'),
        ]));
    }

    /**
     * @param ?list<int> $counted
     *
     * @return list<int> switches
     */
    private function ofPerson(int $i, ?array $counted): array
    {
        return $this->meeting($i, $counted, 'person', 'people', 'between_min');
    }

    /**
     * @param ?list<int> $counted
     *
     * @return list<int> switches that share a person or a group, and meet
     */
    private function meeting(int $i, ?array $counted, string $key, string $list, string $gap): array
    {
        $id = $this->in['switches'][$this->runs[$i]['switch']][$key] ?? null;
        if ($id === null) {
            return [];
        }
        $more = $this->named($list, $id)[$gap] ?? 0;
        $meeting = [];
        foreach ($this->runs as $j => $run) {
            $isOther = $run['switch'] !== $this->runs[$i]['switch'] && ($this->in['switches'][$run['switch']][$key] ?? null) === $id;
            $isCounted = $counted === null || in_array($j, $counted, true);
            if ($isOther && $isCounted && array_intersect_key($this->minutes($i, $more), $this->minutes($j, $more)) !== []) {
                $meeting[$j] = $run['switch'];
            }
        }

        return $meeting;
    }

    /** @param ?list<int> $counted */
    private function isGroupFull(int $i, ?array $counted): bool
    {
        $group = $this->named('groups', $this->in['switches'][$this->runs[$i]['switch']]['group'] ?? null);
        if ($group === null) {
            return false;
        }
        $gap = $group['gap_min'] ?? 0;
        $running = array_fill_keys(array_keys($this->minutes($i, $gap)), 1);
        foreach (array_keys($this->meeting($i, $counted, 'group', 'groups', 'gap_min')) as $j) {
            foreach (array_keys(array_intersect_key($this->minutes($j, $gap), $running)) as $minute) {
                $running[$minute]++;
            }
        }

        return max($running) > ($group['max_together'] ?? 1);
    }

    /**
     * @param list<string> $kinds
     *
     * @return list<string>
     */
    private function with(int $i, array $kinds): array
    {
        $with = [
            ...$this->ofPerson($i, null),
            ...in_array('group', $kinds, true) ? $this->meeting($i, null, 'group', 'groups', 'gap_min') : [],
        ];
        sort($with);

        return array_map(fn(int $switch): string => $this->in['switches'][$switch]['id'], array_values(array_unique($with)));
    }

    /**
     * @param list<array{days: list<string>, from: string, to: string}> $items
     * @param list<array{from: string, to: string}>                     $absences
     *
     * @return array<int, true>
     */
    private function hours(array $items, array $absences = []): array
    {
        return $this->hours[json_encode([$items, $absences], JSON_THROW_ON_ERROR)] ??= $this->expanded($items, $absences);
    }

    /**
     * @param list<array{days: list<string>, from: string, to: string}> $items
     * @param list<array{from: string, to: string}>                     $absences
     *
     * @return array<int, true>
     */
    private function expanded(array $items, array $absences): array
    {
        $minutes = [];
        for ($day = $this->first - 20; $day <= self::day($this->in['to']) + 20; $day++) {
            foreach ($absences as $absence) {
                if ($day >= self::day($absence['from']) && $day <= self::day($absence['to'])) {
                    continue 2;
                }
            }
            foreach ($items as $item) {
                $from = self::clock($item['from']);
                $to = self::clock($item['to']) + (self::clock($item['to']) <= $from ? self::DAY : 0);
                if (in_array(self::weekday($day), $item['days'], true)) {
                    $minutes += array_fill(self::DAY * $day + $from, $to - $from, true);
                }
            }
        }

        return $minutes;
    }

    /** @return null|array<string, mixed> */
    private function named(string $list, ?string $id): ?array
    {
        return array_column($this->in[$list] ?? [], null, 'id')[(string) $id] ?? null;
    }

    private static function day(string $day): int
    {
        return intdiv((int) strtotime("$day UTC"), 86_400);
    }

    private static function weekday(int $day): string
    {
        return self::WEEKDAYS[(int) gmdate('N', 86_400 * $day) - 1];
    }

    private static function clock(string $time): int
    {
        return 60 * (int) substr($time, 0, 2) + (int) substr($time, 3);
    }

    private static function instant(string $at): int
    {
        return intdiv((int) strtotime($at), 60);
    }
}
