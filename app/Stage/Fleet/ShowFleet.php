<?php

declare(strict_types=1);

namespace App\Stage\Fleet;

use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final readonly class ShowFleet
{
    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();

        return view('fleet.page', ['page' => FleetPage::ofCompany($user->company_id, Carbon::now())]);
    }
}
