<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Bridge\VisitFacts;
use App\Models\SeasonState;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitPlanning;
use Escapement\Core\Schedule\Visit\VisitPlan;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** Plans the open visits of a company over its people and days, and writes down where each one stands now. */
final class PlanVisits implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;
    /** Below the 90 s after which the queue would hand it out again. */
    public int $timeout = 80;

    public function __construct(private readonly int $planningId) {}

    public function handle(): void
    {
        $planning = VisitPlanning::query()->withoutGlobalScope('company')->find($this->planningId);
        if ($planning === null || $planning->state !== SeasonState::Waiting) {
            return;
        }
        $planning->update(['state' => SeasonState::Running]);
        $before = Auth::user();
        Auth::setUser(User::query()->findOrFail($planning->user_id)); // what it reads is what its planner sees
        try {
            $start = (int) VisitFacts::day($planning->start);
            $facts = new VisitFacts($start, $planning->days);
            $input = $facts->input();
            $result = $input === null ? null : (new VisitPlan())->of($input)->toArray();
            $kept = $result === null ? null : json_decode(json_encode($result, JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR);
            DB::transaction(function () use ($facts, $planning, $kept): void {
                $this->place($facts, is_array($kept) ? $kept : []);
                $planning->update(['state' => SeasonState::Done, 'result' => $kept]);
            });
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }
    }

    public function failed(?\Throwable $why): void
    {
        VisitPlanning::query()->withoutGlobalScope('company')->whereKey($this->planningId)->update([
            'state' => SeasonState::Failed, 'failure' => mb_substr($why?->getMessage() ?? 'It was stopped.', 0, 250),
        ]);
    }

    /** @param array<string, mixed> $result the answer of visit_plan */
    private function place(VisitFacts $facts, array $result): void
    {
        $places = [];
        foreach ((array) ($result['routes'] ?? []) as $route) {
            foreach ((array) ($route['stops'] ?? []) as $stop) {
                $places[(int) $stop['visit']] = [
                    'placed_user_id' => (int) $route['technician'], 'placed_on' => $route['date'], 'arrive_min' => $stop['arrive_min'],
                    'begin_min' => $stop['begin_min'], 'end_min' => $stop['end_min'], 'unplaced_why' => null,
                ];
            }
        }
        $why = array_column((array) ($result['unplaced'] ?? []), 'reason', 'id');
        $nowhere = [
            'placed_user_id' => null, 'placed_on' => null, 'arrive_min' => null, 'begin_min' => null, 'end_min' => null,
        ];
        foreach ($facts->visits as $visit) {
            $place = $places[$visit->id] ?? $nowhere + ['unplaced_why' => $why[(string) $visit->id] ?? 'no-plan'];
            $locked = Visit::locked($visit->id);
            if ($locked->done_at === null) {
                $isMoved = $locked->placed_user_id !== $place['placed_user_id'] || $locked->begin_min !== $place['begin_min']
                    || $locked->placed_on?->format('Y-m-d') !== $place['placed_on'];
                $locked->update($place + ['sequence' => $locked->sequence + ($isMoved ? 1 : 0)]);
            }
        }
    }
}
