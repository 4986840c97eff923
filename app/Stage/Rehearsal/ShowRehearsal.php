<?php

declare(strict_types=1);

namespace App\Stage\Rehearsal;

use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Plays a story; the same form posts with and without script, and says the same. */
final readonly class ShowRehearsal
{
    public function __invoke(Request $request, TransferSwitch $switch): View|RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        if ($switch->sheet === null) {
            return redirect()->route('sheet', $switch)->with('said', 'A rehearsal needs a settings sheet. Begin with the template.');
        }
        $bench = Bench::fromRequest($switch, $request);

        return view($request->hasHeader('HX-Request') ? 'rehearsal.partials._bench' : 'rehearsal.page', ['bench' => $bench]);
    }
}
