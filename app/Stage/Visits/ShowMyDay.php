<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Http\Typed;
use App\Models\User;
use Escapement\Core\Schedule\Day;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** The visits of the person who is signed in on one day; the page stays on the phone. */
final readonly class ShowMyDay
{
    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();
        $on = Typed::text($request, 'on');

        return view('visits.day', ['day' => new DaySheet($user, Day::read($on) === null ? Carbon::today() : Carbon::parse($on))]);
    }
}
