<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Models\Season;
use App\Models\SeasonState;
use Illuminate\Http\RedirectResponse;

final readonly class CancelSeason
{
    public function __invoke(Season $season): RedirectResponse
    {
        Season::query()->whereKey($season->id)->whereIn(
            'state',
            [SeasonState::Waiting, SeasonState::Running],
        )->update(['state' => SeasonState::Cancelled]);

        return redirect()->route('season', $season);
    }
}
