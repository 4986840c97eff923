<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Jobs\PlaySeason;
use App\Jobs\Turn;
use App\Models\Season;
use App\Models\SeasonState;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;

final readonly class BeginSeason
{
    public function __invoke(SeasonRequest $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(['loads', 'sheet']);
        $described = $request->season($switch);
        /** @var User $user */
        $user = $request->user();
        $turn = Turn::ofSeason($user->company_id);
        $season = Season::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'title' => mb_substr($described['title'], 0, 120), 'input' => $described['input'], 'state' => SeasonState::Waiting,
        ]);
        PlaySeason::dispatch($season->id)->onQueue($turn);

        return redirect()->route('season', $season);
    }
}
