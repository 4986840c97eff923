<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\User;
use App\Models\Visit;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** A storm is coming: the least work on the sites in greatest need becomes visits, to be made before it. */
final readonly class PlanStorm
{
    private const NOTE = 'Before the storm';
    private const MOST_MIN = 720;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            ['count' => ['required', 'integer', 'between:1,50'], 'days' => ['required', 'integer', 'between:1,31']],
            ['count.*' => 'From 1 to 50 sites.', 'days.*' => 'From 1 to 31 days.'],
        );
        /** @var User $user */
        $user = $request->user();
        $page = FleetPage::ofCompany($user->company_id, Carbon::now());
        $wanted = [];
        foreach ($page->rows() as $row) {
            if (count($wanted) < (int) $fields['count'] && $row->work()['minutes'] > 0) {
                $wanted[] = $row;
            }
        }
        $latest = Carbon::today()->addDays((int) $fields['days']);
        DB::transaction(static function () use ($wanted, $user, $latest): void {
            foreach ($wanted as $row) {
                $work = $row->work();
                $query = Visit::query();
                $query->where('switch_id', $row->status->switch_id)->whereNull('done_at')->where('note', self::NOTE);
                $known = $query->first() ?? new Visit(['company_id' => $user->company_id, 'switch_id' => $row->status->switch_id]);
                $known->fill([
                    'items' => [lcfirst($work['words'])], 'duration_min' => min(self::MOST_MIN, max(15, $work['minutes'])), 'skills' => [],
                    'priority' => 5, 'due' => $latest, 'latest' => $latest, 'note' => self::NOTE,
                ])->save();
            }
        });

        return redirect()->route('visits')->with('said', count($wanted) === 0 ? 'No site needs work to be ready.'
            : count($wanted) . ' sites are to be visited before the storm. Plan again to give them their places.');
    }
}
