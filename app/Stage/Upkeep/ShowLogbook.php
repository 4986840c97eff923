<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final readonly class ShowLogbook
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);
        $kind = Typed::text($request, 'kind', 12);
        $known = isset(EntryForm::kinds()[$kind]) ? $kind : 'hours'; // the shortest: the entries follow in sight

        return view('upkeep.logbook', ['page' => new LogbookPage($switch, $known, EntrySearch::from($request), Carbon::now())]);
    }
}
