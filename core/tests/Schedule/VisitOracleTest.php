<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Schedule\VisitPlanReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Few visits: every plan there is, written down once more; many: what the search comes to, so that a worse search is seen. */
final class VisitOracleTest extends TestCase
{
    private const WEIGHTS = ['unplaced' => 1000, 'late' => 60, 'wait' => 2, 'travel' => 1, 'technician_day' => 60];

    #[Test, DataProvider('smallWeeks')]
    public function no_plan_of_a_few_visits_is_better(int $seed): void
    {
        $week = self::week($seed, 4 + $seed % 2, 1 + $seed % 2);
        $answer = (new VisitPlanReader())->answer(Node::fromArray($week));
        $figures = array_map(
            static fn(string $key): mixed => $answer[$key],
            ['objective', 'unplaced_count', 'technician_days', 'travel_min', 'late_days'],
        );
        self::assertSame(self::best($week), $figures, json_encode($week, JSON_THROW_ON_ERROR));
        self::assertTrue($answer['optimal']);
    }

    /** @return iterable<string, array{int}> */
    public static function smallWeeks(): iterable
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            yield "week $seed" => [$seed];
        }
    }

    /** @param list<int> $figures objective, routes, travel minutes, days late in sum */
    #[Test, DataProvider('largeWeeks')]
    public function a_search_over_many_visits_comes_to_no_more(
        int $seed,
        int $visits,
        int $technicians,
        array $figures,
        string $digest,
    ): void {
        $answer = (new VisitPlanReader())->answer(Node::fromArray(self::week($seed, $visits, $technicians)));
        $of = array_map(static fn(string $key): mixed => $answer[$key], ['objective', 'technician_days', 'travel_min', 'late_days']);
        self::assertSame([$figures, $digest], [$of, self::digest($answer)]);
    }

    /** @return iterable<string, array{int, int, int, list<int>, string}> */
    public static function largeWeeks(): iterable
    {
        $weeks = [
            [1, 9, 2, [738, 3, 150, 2], '3f40135e'],
            [2, 9, 2, [61621, 3, 105, 1], '024136f7'],
            [3, 9, 2, [3876, 4, 180, 2], '91d63ef1'],
            [4, 9, 2, [4531, 5, 195, 0], 'ab0ee772'],
            [5, 9, 2, [40983, 4, 225, 2], '83dc1bf0'],
            [6, 9, 2, [828, 5, 180, 1], 'a3621307'],
            [7, 9, 2, [40975, 3, 135, 3], 'db2b699a'],
            [1, 14, 2, [785, 4, 135, 2], '484b0240'],
            [2, 14, 2, [123011, 4, 105, 2], 'a15655dc'],
            [3, 14, 2, [64709, 5, 315, 6], '1630bf2d'],
            [4, 14, 2, [144543, 5, 195, 0], '1cbee6e4'],
            [5, 14, 2, [22284, 6, 270, 3], '060f3913'],
            [6, 14, 2, [61411, 6, 345, 3], '838590ed'],
            [7, 14, 2, [46960, 5, 180, 2], '757ec98d'],
            [1, 20, 3, [180791, 6, 195, 2], '981b2b02'],
            [2, 20, 3, [42952, 6, 300, 1], 'bd40a2e8'],
            [3, 20, 3, [125203, 5, 195, 4], 'ae043bbc'],
            [4, 20, 3, [6901, 7, 315, 5], '7d9c2000'],
            [5, 20, 3, [67811, 6, 285, 1], '11e79c09'],
            [6, 20, 3, [83311, 7, 345, 2], '4b39c7ef'],
            [7, 20, 3, [108194, 7, 420, 3], 'fdc40f97'],
            [1, 12, 1, [5646, 3, 210, 6], '4d735985'],
            [2, 12, 1, [302485, 2, 165, 1], 'df84d6bb'],
            [3, 12, 1, [133849, 3, 165, 2], '0d5750c1'],
            [4, 12, 1, [9000, 3, 240, 2], '674037b4'],
            [5, 12, 1, [63455, 3, 165, 1], '0a95e519'],
            [6, 12, 1, [5287, 3, 195, 4], 'cfd912f2'],
            [7, 12, 1, [161924, 3, 150, 3], '97e13de7'],
        ];
        foreach ($weeks as $week) {
            yield "$week[1] visits of $week[2], week $week[0]" => $week;
        }
    }

    /** @param array<string, mixed> $answer */
    private static function digest(array $answer): string
    {
        return hash('crc32b', json_encode($answer['routes'], JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> */
    private static function week(int $seed, int $visits, int $technicians): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $maybe = static fn(array $more): array => $random->getInt(0, 3) === 0 ? $more : [];
        $day = static fn(): string => sprintf('2026-06-%02d', $random->getInt(1, 4));
        $input = ['start' => '2026-06-01', 'days' => 3, 'technicians' => [], 'visits' => []];
        for ($i = 0; $i < $technicians; $i++) {
            $input['technicians'][] = ['id' => "t$i", 'lat' => 0, 'lon' => 0, 'from' => '08:00', 'to' => $i === 0 ? '13:00' : '12:00']
                + ['skills' => $i === 0 ? ['gas'] : []] + $maybe(['absences' => ['2026-06-02']]);
        }
        for ($i = 0; $i < $visits; $i++) {
            $input['visits'][] = ['id' => "v$i", 'lat' => 0, 'lon' => 0, 'duration_min' => 30 * $random->getInt(1, 4)]
                + ['priority' => $random->getInt(1, 5), 'due' => $day()] + $maybe(['skills' => ['gas']])
                + $maybe(['from' => '09:30', 'to' => '11:30']) + $maybe(['latest' => '2026-06-02'])
                + $maybe(['earliest' => '2026-06-02', 'latest' => '2026-06-03'])
                + $maybe(['lock' => ['technician' => 't0', 'date' => '2026-06-02']]);
        }
        $places = $visits + $technicians;
        $row = static fn(): array => array_map(static fn(): int => 15 * $random->getInt(0, 4), range(1, $places));

        return $input + ['travel' => ['matrix_min' => array_map($row, range(1, $places))]];
    }

    /**
     * @param array<string, mixed> $week
     *
     * @return list<int> objective, unplaced, routes, travel, days late
     */
    private static function best(array $week): array
    {
        $slots = [];
        foreach ([1, 2, 3] as $day) {
            foreach ($week['technicians'] as $t => $technician) {
                if (! in_array("2026-06-0$day", $technician['absences'] ?? [], true)) {
                    $slots[] = [$t, $day];
                }
            }
        }
        $ways = [];
        foreach ($slots as $s => [$t, $day]) {
            for ($set = 1; $set < 1 << count($week['visits']); $set++) {
                $of = array_values(array_filter(array_keys($week['visits']), static fn(int $v): bool => ($set >> $v & 1) === 1));
                $least = null;
                foreach (self::orders($of) as $order) {
                    $way = self::travel($week, $t, $day, $order);
                    $least = $way === null ? $least : min($least ?? $way, $way);
                }
                $ways[$s][$set] = $least;
            }
        }

        return self::search($week, $slots, $ways, 0, array_fill(0, count($slots), 0)) ?? [];
    }

    /**
     * @param array<string, mixed>          $week
     * @param list<array{int, int}>         $slots technician, day
     * @param array<int, array<int, ?int>> $ways  least travel by slot and set
     * @param list<int>                     $sets  visits of each slot so far
     *
     * @return null|list<int>
     */
    private static function search(array $week, array $slots, array $ways, int $visit, array $sets): ?array
    {
        if ($visit === count($week['visits'])) {
            return self::figures($week, $slots, $ways, $sets);
        }
        $best = self::search($week, $slots, $ways, $visit + 1, $sets);
        foreach (array_keys($slots) as $s) {
            $with = $sets;
            $with[$s] |= 1 << $visit;
            $one = self::search($week, $slots, $ways, $visit + 1, $with);
            $best = $one !== null && ($best === null || $one < $best) ? $one : $best;
        }

        return $best;
    }

    /**
     * @param array<string, mixed>          $week
     * @param list<array{int, int}>         $slots
     * @param array<int, array<int, ?int>> $ways
     * @param list<int>                     $sets
     *
     * @return null|list<int>
     */
    private static function figures(array $week, array $slots, array $ways, array $sets): ?array
    {
        $cost = $travel = $late = $routes = $placed = 0;
        foreach ($sets as $s => $set) {
            if ($set === 0) {
                continue;
            }
            $way = $ways[$s][$set];
            if ($way === null) {
                return null;
            }
            $routes++;
            $travel += $way;
            $cost += self::WEIGHTS['technician_day'] + self::WEIGHTS['travel'] * $way;
            foreach ($week['visits'] as $v => $visit) {
                if (($set >> $v & 1) === 1) {
                    $placed |= 1 << $v;
                    $days = max(0, $slots[$s][1] - (int) substr($visit['due'], -2));
                    $late += $days;
                    $cost += $visit['priority'] * (self::WEIGHTS['late'] * $days + self::WEIGHTS['wait'] * ($slots[$s][1] - 1));
                }
            }
        }
        $out = 0;
        foreach ($week['visits'] as $v => $visit) {
            if (($placed >> $v & 1) === 0) {
                $out++;
                $cost += self::WEIGHTS['unplaced'] * $visit['priority'] * (isset($visit['lock']) ? 20 : 1);
            }
        }

        return [$cost, $out, $routes, $travel, $late];
    }

    /**
     * @param array<string, mixed> $week
     * @param list<int>            $order
     */
    private static function travel(array $week, int $technician, int $day, array $order): ?int
    {
        $who = $week['technicians'][$technician];
        $date = "2026-06-0$day";
        $now = self::clock($who['from']);
        $at = $technician;
        $way = 0;
        foreach ($order as $v) {
            $visit = $week['visits'][$v];
            $isLockedElsewhere = isset($visit['lock']) && ($visit['lock']['technician'] !== $who['id'] || $visit['lock']['date'] !== $date);
            if (array_diff($visit['skills'] ?? [], $who['skills']) !== [] || $isLockedElsewhere
                || $date < ($visit['earliest'] ?? '') || $date > ($visit['latest'] ?? '9')) {
                return null;
            }
            $to = count($week['technicians']) + $v;
            $way += $week['travel']['matrix_min'][$at][$to];
            $now = max($now + $week['travel']['matrix_min'][$at][$to], self::clock($visit['from'] ?? '00:00')) + $visit['duration_min'];
            if ($now > self::clock($visit['to'] ?? '24:00')) {
                return null;
            }
            $at = $to;
        }
        $back = $week['travel']['matrix_min'][$at][$technician];

        return $now + $back > self::clock($who['to']) ? null : $way + $back;
    }

    private static function clock(string $time): int
    {
        return 60 * (int) substr($time, 0, 2) + (int) substr($time, 3);
    }

    /**
     * @param list<int> $of
     *
     * @return iterable<list<int>>
     */
    private static function orders(array $of): iterable
    {
        if ($of === []) {
            yield [];
        }
        foreach ($of as $i => $one) {
            foreach (self::orders(array_values(array_diff_key($of, [$i => true]))) as $order) {
                yield [$one, ...$order];
            }
        }
    }
}
