<?php

declare(strict_types=1);

namespace App\Stage\Settings;

use App\Bridge\SwitchFacts;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Escapement\Core\Settings\SettingsDiff;
use Escapement\Core\Settings\SheetWords;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Any two versions side by side: every difference, and nothing that is the same. */
final readonly class ShowDifference
{
    public function __invoke(Request $request, TransferSwitch $switch): View
    {
        $switch->load(['site.switches', 'loads', 'plan', 'sheet', 'sheets.user', 'run.sheet', 'run.user', 'proofs']);
        $to = $switch->sheets->firstWhere('version', $request->integer('to')) ?? $switch->sheets->first() ?? abort(404);
        $from = $switch->sheets->firstWhere('version', $request->integer('from'))
            ?? $switch->sheets->firstWhere('version', $to->version - 1) ?? $to;
        $facts = new SwitchFacts($switch);
        $rows = array_map(static fn($change): array => [
            'label' => SheetWords::label($change->path),
            'from' => SheetWords::value($change->path, $change->from),
            'to' => SheetWords::value($change->path, $change->to),
        ], (new SettingsDiff())->compare($facts->settings($from->settings), $facts->settings($to->settings)));

        return view('settings.difference', [
            'switch' => $switch,
            'standing' => new SiteStanding($switch->site, $switch),
            'sheets' => $switch->sheets,
            'from' => $from,
            'to' => $to,
            'rows' => $rows,
        ]);
    }
}
