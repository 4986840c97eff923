<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Http\Typed;
use App\Models\TransferSwitch;
use App\Stage\Schools;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The load tests of a switch, and the form of a new one. */
final readonly class ShowLoadTests
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(SiteStanding::NEEDS);

        $school = Typed::text($request, 'school');
        $asked = isset(Schools::WORDS[$school]) ? $school : $switch->upkeep->school ?? 'quarterly';

        return view('load-test.index', ['page' => new LoadTestsPage($switch, $asked)]);
    }
}
