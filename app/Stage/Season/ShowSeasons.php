<?php

declare(strict_types=1);

namespace App\Stage\Season;

use App\Models\Recording;
use App\Models\Season;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** Where a season is described, and those that were played before. */
final readonly class ShowSeasons
{
    private const SHOWN = 10;

    public function __invoke(TransferSwitch $switch): View|RedirectResponse
    {
        $switch->load(['site.switches', 'loads', 'plan', 'sheet.user', 'sheets', 'run.sheet', 'run.user', 'proofs']);
        if ($switch->sheet === null) {
            return redirect()->route('sheet', $switch)->with('said', 'A season needs a settings sheet. Begin with the template.');
        }

        return view('season.new', [
            'standing' => new SiteStanding($switch->site, $switch),
            'switch' => $switch,
            'recordings' => Recording::query()->orderBy('name')->get(['id', 'name']),
            'seasons' => Season::query()->where('switch_id', $switch->id)->orderByDesc('id')->limit(self::SHOWN)->get([
                'id',
                'company_id',
                'switch_id',
                'title',
                'state',
                'played',
                'created_at',
            ]),
        ]);
    }
}
