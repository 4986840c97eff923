<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Models\User;
use App\Stage\Paper;
use Escapement\Core\Schedule\Day;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/** The day sheet of a person, on paper. */
final readonly class PrintDay
{
    public function __invoke(Request $request, User $person, string $on): Response
    {
        /** @var User $user */
        $user = $request->user();
        abort_if($person->company_id !== $user->company_id || Day::read($on) === null, 404);
        $day = new DaySheet($person, Carbon::parse($on));
        abort_if($day->visits->isEmpty(), 404, 'Nothing is planned for that day.');

        return Paper::of(view('visits.day-pdf', ['day' => $day]), $day->visits->firstOrFail()->switch->site, "day-$on");
    }
}
