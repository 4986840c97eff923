<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Schedule\Visit\ExactVisits;
use Escapement\Core\Schedule\Visit\SearchedVisits;
use Escapement\Core\Schedule\Visit\VisitInput;
use Escapement\Core\Schedule\Visit\VisitPlan;
use Escapement\Core\Schedule\Visit\VisitSlots;
use Escapement\Core\Wire\Schedule\VisitPlanReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Plans of visits: feasible, never worse than what is tried by hand, and the same every time. */
final class VisitPlanTest extends TestCase
{
    /** @return iterable<string, array{int, int, int}> seed, visits, technicians */
    public static function sizes(): iterable
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            yield "few, $seed" => [$seed, 3 + $seed % 5, 1 + $seed % 2];
            yield "many, $seed" => [$seed, 14 + 3 * $seed, 1 + $seed % 4];
        }
    }

    #[Test, DataProvider('sizes')]
    public function a_plan_keeps_hours_skills_and_days_and_its_figures_add_up(int $seed, int $visits, int $technicians): void
    {
        $input = self::input($seed, $visits, $technicians);
        $plan = (new VisitPlan())->of($input)->values;
        $slots = new VisitSlots($input);
        $placed = [];
        $travel = 0;
        self::assertIsArray($plan['routes']);
        foreach ($plan['routes'] as $route) {
            self::assertIsArray($route);
            $slot = self::slotOf($slots, $input, $route);
            $order = array_map(
                static fn(array $stop): int => (int) array_search($stop['visit'], array_column($input->visits, 'id'), true),
                $route['stops'],
            );
            $way = $slots->travelOf($slots->slots[$slot]['technician'], $order);
            self::assertSame($way, $route['travel_min']);
            $travel += $way;
            foreach ($order as $v) {
                self::assertContains($slot, $slots->admissible[$v]);
                self::assertNotContains($v, $placed);
                $placed[] = $v;
            }
        }
        self::assertSame($travel, $plan['travel_min']);
        self::assertSame($visits - count($placed), $plan['unplaced_count']);
        self::assertIsArray($plan['parts']);
        self::assertSame(array_sum($plan['parts']), $plan['objective']);
        self::assertLessThanOrEqual($plan['objective'] + 1e-6, $plan['lower_bound']);
        self::assertSame($plan['routes'], (new VisitPlan())->of($input)->values['routes']);
    }

    #[Test, DataProvider('sizes')]
    public function the_search_leaves_nothing_out_that_still_pays_and_is_never_better_than_the_exact_plan(
        int $seed,
        int $visits,
        int $technicians,
    ): void {
        $input = self::input($seed, $visits, $technicians);
        $slots = new VisitSlots($input);
        $searched = (new SearchedVisits($slots))->routes();
        $cost = self::cost($slots, $searched);
        $placed = array_merge(...array_values($searched));
        self::assertCount(count($placed), array_unique($placed));
        foreach (array_keys($input->visits) as $v) {
            foreach (in_array($v, $placed, true) ? [] : $slots->admissible[$v] as $slot) {
                $route = $searched[$slot] ?? [];
                for ($i = 0; $i <= count($route); $i++) {
                    $longer = $route;
                    array_splice($longer, $i, 0, [$v]);
                    $isFeasible = $slots->travelOf($slots->slots[$slot]['technician'], array_values($longer)) !== null;
                    self::assertFalse($isFeasible && self::cost($slots, [$slot => array_values($longer)] + $searched) < $cost);
                }
            }
        }
        if ($visits <= ExactVisits::MOST_VISITS && $technicians <= ExactVisits::MOST_TECHNICIANS) {
            self::assertLessThanOrEqual($cost, self::cost($slots, (new ExactVisits($slots))->routes()));
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $visit = ['id' => 'a', 'lat' => 0, 'lon' => 0, 'duration_min' => 60];
        yield 'a day that ends before it begins' => [
            ['technicians' => [['id' => 't', 'lat' => 0, 'lon' => 0, 'from' => '09:00', 'to' => '08:00']]], '/technicians/0/to',
        ];
        yield 'a weekday twice' => [
            ['technicians' => [['id' => 't', 'lat' => 0, 'lon' => 0, 'days' => ['mon', 'mon']]]], '/technicians/0/days/1',
        ];
        yield 'an unknown technician' => [
            ['visits' => [$visit + ['lock' => ['technician' => 'x', 'date' => '2026-06-01']]]], '/visits/0/lock/technician',
        ];
        yield 'a lock beyond the days' => [
            ['visits' => [$visit + ['lock' => ['technician' => 't', 'date' => '2026-07-01']]]], '/visits/0/lock/date',
        ];
        yield 'latest before earliest' => [
            ['visits' => [$visit + ['earliest' => '2026-06-03', 'latest' => '2026-06-02']]], '/visits/0/latest',
        ];
        yield 'a matrix that is too small' => [['travel' => ['matrix_min' => [[0]]]], '/travel/matrix_min'];
    }

    /** @param array<string, mixed> $more */
    #[Test, DataProvider('faults')]
    public function what_cannot_be_planned_is_named_by_its_path(array $more, string $path): void
    {
        $input = $more + [
            'start' => '2026-06-01', 'technicians' => [['id' => 't', 'lat' => 0, 'lon' => 0]],
            'visits' => [['id' => 'a', 'lat' => 0, 'lon' => 0, 'duration_min' => 60]],
        ];
        try {
            (new VisitPlanReader())->input(Node::fromArray($input));
            self::fail('It was taken.');
        } catch (BadInput $bad) {
            self::assertSame($path, $bad->path);
        }
    }

    private static function input(int $seed, int $visits, int $technicians): VisitInput
    {
        mt_srand($seed);
        $somewhere = static fn(): array => ['lat' => 48 + mt_rand(0, 60) / 100, 'lon' => 9 + mt_rand(0, 90) / 100];
        $input = ['start' => '2026-06-01', 'days' => 3 + $seed % 5, 'technicians' => [], 'visits' => []];
        for ($i = 0; $i < $technicians; $i++) {
            $input['technicians'][] = ['id' => "t$i", 'skills' => $i % 2 === 0 ? ['gas'] : []] + $somewhere();
        }
        for ($i = 0; $i < $visits; $i++) {
            $input['visits'][] = [
                'id' => "v$i", 'duration_min' => 15 * mt_rand(2, 14), 'priority' => mt_rand(1, 5), 'due' => '2026-06-0' . mt_rand(1, 9),
                'skills' => mt_rand(0, 3) === 0 ? ['gas'] : [], 'from' => mt_rand(0, 4) === 0 ? '13:00' : '00:00',
            ] + $somewhere();
        }

        return (new VisitPlanReader())->input(Node::fromArray($input));
    }

    /** @param array<mixed> $route */
    private static function slotOf(VisitSlots $slots, VisitInput $input, array $route): int
    {
        foreach ($slots->slots as $i => $slot) {
            $date = gmdate('Y-m-d', 86_400 * $slot['day']);
            if ($input->technicians[$slot['technician']]->id === $route['technician'] && $date === $route['date']) {
                return $i;
            }
        }
        self::fail('A route on a day on which nobody works.');
    }

    /** @param array<int, list<int>> $routes */
    private static function cost(VisitSlots $slots, array $routes): int
    {
        $weights = $slots->in->weights;
        $cost = 0;
        $out = array_fill_keys(array_keys($slots->in->visits), true);
        foreach ($routes as $slot => $order) {
            $cost += $weights['technician_day'] + $weights['travel'] * (int) $slots->travelOf($slots->slots[$slot]['technician'], $order);
            foreach ($order as $v) {
                unset($out[$v]);
                $cost += $slots->dayCost($v, $slot);
            }
        }

        return $cost + array_sum(array_map($slots->unplacedCost(...), array_keys($out)));
    }
}
