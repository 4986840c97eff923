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
    private const LONGEST_ADDRESS = 4000;

    public function __invoke(Request $request, TransferSwitch $switch): View|RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        if ($switch->sheet === null) {
            return redirect()->route('sheet', $switch)->with('said', 'A rehearsal needs a settings sheet. Begin with the template.');
        }
        $isPart = $request->hasHeader('HX-Request');
        if ($request->isMethod('post') && ! $isPart) {
            return $this->shown($request, $switch);
        }
        if ($request->boolean('kept')) {
            $request->merge((array) $request->session()->get("rehearsal.$switch->id", []));
        }
        $bench = RehearsalPage::fromRequest($switch, $request);

        return view($isPart ? 'rehearsal.partials._bench' : 'rehearsal.page', ['bench' => $bench]);
    }

    /** What was posted as a page that can be gone back to: in the address where it fits, else by the session. */
    private function shown(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $asked = $request->except(['_token']);
        if (strlen(http_build_query($asked)) <= self::LONGEST_ADDRESS) {
            return redirect()->route('rehearsal', ['switch' => $switch] + $asked);
        }
        $request->session()->put("rehearsal.$switch->id", $asked);

        return redirect()->route('rehearsal', ['switch' => $switch, 'kept' => 1]);
    }
}
