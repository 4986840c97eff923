<?php

declare(strict_types=1);

namespace App\Stage\FleetFeed;

use App\Models\FleetFeed;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Carbon;

/** Its token opens nothing from here on; what it said stays for its forty days. */
final readonly class EndFleetFeed
{
    public function __invoke(FleetFeed $heard): RedirectResponse
    {
        $heard->update(['ended_at' => Carbon::now()]);

        return redirect()->route('devices')->with('said', "$heard->name is not heard any more.");
    }
}
