<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\Feed;
use Illuminate\Http\RedirectResponse;

/** Ends a calendar: its address answers no more. */
final readonly class RevokeFeed
{
    public function __invoke(Feed $feed): RedirectResponse
    {
        $feed->update(['revoked_at' => now()]);

        return redirect()->route('calendar')->with('said', 'That calendar is ended.');
    }
}
