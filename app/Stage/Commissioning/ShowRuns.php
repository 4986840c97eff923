<?php

declare(strict_types=1);

namespace App\Stage\Commissioning;

use App\Bridge\SwitchFacts;
use App\Bridge\TestPointFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

final readonly class ShowRuns
{
    public function __invoke(TransferSwitch $switch): View|RedirectResponse
    {
        $switch->load([
            'site.switches', 'loads', 'plan', 'sheet.user', 'run.sheet', 'run.user', 'proofs', 'runs.user', 'runs.sheet', 'runs.marks',
        ]);
        if ($switch->sheet === null) {
            return redirect()->route('sheet', $switch)->with('said', 'A run is timed against a settings sheet. Begin with the template.');
        }
        $facts = new SwitchFacts($switch);

        return view('commissioning.runs', [
            'switch' => $switch, 'test' => TestPointFacts::ofSwitch($switch), 'standing' => new SiteStanding($switch->site, $switch),
            'expected' => $facts->expected($facts->settings($switch->sheet->settings)),
        ]);
    }
}
