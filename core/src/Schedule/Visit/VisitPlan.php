<?php

declare(strict_types=1);

namespace Escapement\Core\Schedule\Visit;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\Findings;
use Escapement\Core\Finding\Working;
use Escapement\Core\Schedule\Day;

/** Who goes where on which day in which order. Rule: docs/rules.md#visit-plan. */
final readonly class VisitPlan
{
    private const EQUAL = 1e-9;
    private const MOST_NAMED = 8;

    public function of(VisitInput $in): CalculationResult
    {
        $slots = new VisitSlots($in);
        $isSmall = count($in->visits) <= ExactVisits::MOST_VISITS && count($in->technicians) <= ExactVisits::MOST_TECHNICIANS;
        $routes = $isSmall ? (new ExactVisits($slots))->routes() : (new SearchedVisits($slots))->routes();
        ksort($routes);
        $figures = $this->figures($slots, $routes);
        $objective = array_sum($figures['parts']);
        $bound = VisitBound::of($slots);
        $isOptimal = $isSmall || abs($objective - $bound) <= self::EQUAL * max(1.0, $bound);
        $best = $isOptimal ? $objective : $bound;
        $reasons = $slots->impossible();
        $placed = array_merge(...array_values($routes));
        $unplaced = $impossible = [];
        foreach ($in->visits as $v => $visit) {
            if (! in_array($v, $placed, true)) {
                $unplaced[] = ['id' => $visit->id, 'reason' => $reasons[$v] ?? 'no-room'];
            }
            if ($reasons[$v] !== null) {
                $impossible[] = ['id' => $visit->id, 'reason' => $reasons[$v]];
            }
        }

        $findings = $this->findings($in, $unplaced, $impossible, $figures['late'], $isOptimal);

        return new CalculationResult([
            'routes' => array_map(
                fn(int $slot): array => $this->route($slots, $slot, $routes[$slot]),
                array_keys($routes),
            ),
            'unplaced' => $unplaced,
            'impossible' => $impossible,
            'objective' => $objective,
            'parts' => $figures['parts'],
            'unplaced_count' => count($unplaced),
            'technician_days' => count($routes),
            'travel_min' => $figures['travel'],
            'late_days' => $figures['late'],
            'optimal' => $isOptimal,
            'lower_bound' => $bound,
            'best_bound' => $best,
            'gap_pct' => $objective === 0 ? 0.0 : 100 * ($objective - $best) / $objective,
        ], $findings, $this->working($figures['parts'], $objective)->lines);
    }

    /**
     * @param array<int, list<int>> $routes
     *
     * @return array{parts: array{unplaced: int, late: int, wait: int, travel: int, technician_day: int}, travel: int, late: int}
     */
    private function figures(VisitSlots $slots, array $routes): array
    {
        $in = $slots->in;
        $late = $lateDays = $wait = $travel = 0;
        $out = array_fill_keys(array_keys($in->visits), true);
        foreach ($routes as $slot => $order) {
            $travel += $slots->travelOf($slots->slots[$slot]['technician'], $order) ?? 0;
            foreach ($order as $v) {
                unset($out[$v]);
                $days = $slots->lateDays($v, $slot);
                $lateDays += $days;
                $late += $in->weights['late'] * $in->visits[$v]->priority * $days;
                $wait += $in->weights['wait'] * $in->visits[$v]->priority * ($slots->slots[$slot]['day'] - $in->start);
            }
        }

        return [
            'parts' => [
                'unplaced' => array_sum(array_map($slots->unplacedCost(...), array_keys($out))),
                'late' => $late,
                'wait' => $wait,
                'travel' => $in->weights['travel'] * $travel,
                'technician_day' => $in->weights['technician_day'] * count($routes),
            ],
            'travel' => $travel,
            'late' => $lateDays,
        ];
    }

    /**
     * @param list<int> $order
     *
     * @return array<string, mixed>
     */
    private function route(VisitSlots $slots, int $slot, array $order): array
    {
        $in = $slots->in;
        ['technician' => $technician, 'day' => $day] = $slots->slots[$slot];
        $bases = count($in->technicians);
        $at = $technician;
        $now = $in->technicians[$technician]->fromMin;
        $stops = [];
        foreach ($order as $v) {
            $arrive = $now + $in->minutes[$at][$bases + $v];
            $begin = max($arrive, $in->visits[$v]->fromMin);
            $now = $begin + $in->visits[$v]->durationMin;
            $stops[] = ['visit' => $in->visits[$v]->id, 'arrive_min' => $arrive, 'begin_min' => $begin, 'end_min' => $now];
            $at = $bases + $v;
        }

        return [
            'technician' => $in->technicians[$technician]->id,
            'date' => Day::write($day),
            'stops' => $stops,
            'back_min' => $now + $in->minutes[$at][$technician],
            'travel_min' => $slots->travelOf($technician, $order),
        ];
    }

    /**
     * @param list<array{id: string, reason: string}> $unplaced
     * @param list<array{id: string, reason: string}> $impossible
     *
     * @return list<Finding>
     */
    private function findings(VisitInput $in, array $unplaced, array $impossible, int $lateDays, bool $isOptimal): array
    {
        $findings = new Findings();
        $raise = static function (string $id, array $visits) use ($findings): void {
            $ids = array_values(array_filter(array_column($visits, 'id'), is_string(...)));
            if ($ids !== []) {
                $findings->raise($id, ['which' => implode(', ', array_slice($ids, 0, self::MOST_NAMED))], $ids);
            }
        };
        $raise('visit-impossible', $impossible);
        $raise('visit-unplaced', $unplaced);
        $raise('lock-impossible', array_filter($impossible, static fn(array $one): bool => $one['reason'] === 'lock'));
        if ($lateDays > 0) {
            $findings->raise('visit-late', ['days' => $lateDays]);
        }
        if ($in->isEstimated) {
            $findings->raise('straight-line-travel');
        }
        if (! $isOptimal) {
            $findings->raise('not-proven-optimal');
        }

        return $findings->worstFirst();
    }

    /** @param array<string, int> $parts */
    private function working(array $parts, int $objective): Working
    {
        $working = new Working();
        $words = array_map(static fn(string $name, int $cost): string => "$cost $name", array_keys($parts), $parts);
        $working->add('What the plan costs', str_replace('_', ' ', implode(' + ', $words)), $objective, '');

        return $working;
    }
}
