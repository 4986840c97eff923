<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Http\Typed;
use App\Models\TransferSwitch;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final readonly class ShowVisits
{
    public function __invoke(Request $request): View
    {
        $page = new VisitsPage();
        $query = TransferSwitch::query();
        $query->orderBy('id')->limit(1000);
        $asked = (int) Typed::text($request, 'visit');

        return view('visits.page', [
            'page' => $page, 'switches' => $query->with('site')->get(),
            'chosen' => collect($page->facts->visits)->firstWhere('id', $asked),
        ]);
    }
}
