<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final readonly class ShowService
{
    public function __invoke(Request $request, TransferSwitch $switch): View|RedirectResponse
    {
        $switch->load([...SiteStanding::NEEDS, 'services.user', 'services.sheet']);
        if ($switch->sheet === null) {
            return redirect()->route('sheet', $switch)->with('said', 'A visit compares with a settings sheet. Begin with the template.');
        }

        $planned = $request->query('items');
        $planned = is_array($planned) ? array_values(array_filter($planned, is_string(...))) : null;

        return view('commissioning.service', ['page' => new ServicePage($switch, Carbon::now(), $planned)]);
    }
}
