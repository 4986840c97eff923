<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Carbon;

final readonly class ShowService
{
    public function __invoke(TransferSwitch $switch): View|RedirectResponse
    {
        $switch->load([...SiteStanding::NEEDS, 'services.user', 'services.sheet']);
        if ($switch->sheet === null) {
            return redirect()->route('sheet', $switch)->with('said', 'A visit compares with a settings sheet. Begin with the template.');
        }

        return view('commissioning.service', ['page' => new ServicePage($switch, Carbon::now())]);
    }
}
