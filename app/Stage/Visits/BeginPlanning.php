<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Jobs\PlanVisits;
use App\Jobs\Turn;
use App\Models\SeasonState;
use App\Models\User;
use App\Models\VisitPlanning;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** Plans all open visits again; what is locked stays. */
final readonly class BeginPlanning
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'start' => ['required', 'date_format:Y-m-d', 'after_or_equal:today'], 'days' => ['required', 'integer', 'between:1,31'],
        ], ['start.*' => 'A day that is not over.', 'days.*' => 'From 1 to 31 days.']);
        /** @var User $user */
        $user = $request->user();
        self::begin($user, Carbon::parse((string) $fields['start']), (int) $fields['days']);

        return redirect()->route('visits');
    }

    public static function begin(User $user, Carbon $start, int $days): void
    {
        $planning = VisitPlanning::query()->create([
            'company_id' => $user->company_id, 'user_id' => $user->id, 'start' => $start, 'days' => $days, 'state' => SeasonState::Waiting,
        ]);
        PlanVisits::dispatch($planning->id)->onQueue(Turn::HEAVY);
    }
}
