<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\LoadItem;
use App\Models\TransferSwitch;
use App\Stage\SiteStanding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The order in which loads come back, and which may be shed. They are the survey's loads, so the rehearsal plays with them at once. */
final readonly class SaveShedding
{
    public function __invoke(Request $request, TransferSwitch $switch): View|RedirectResponse
    {
        $fields = $request->validate([
            'loads' => ['required', 'array', 'max:200'],
            'loads.*.id' => ['required', 'integer'],
            'loads.*.priority' => ['required', 'integer', 'between:1,99'],
            'loads.*.shed' => ['nullable', 'boolean'],
        ], ['loads.*.priority.*' => 'From 1, the most important, to 99.']);
        DB::transaction(static function () use ($switch, $fields): void {
            $switch->noteStatusChange(); // these writes go past the models
            foreach ($fields['loads'] as $line) {
                $query = LoadItem::query();
                $query->where('switch_id', $switch->id)->whereKey($line['id'])->update([
                    'priority' => (int) $line['priority'],
                    'shed' => DB::raw(($line['shed'] ?? false) ? 'NOT must_run' : '0'), // what must run is never shed
                ]);
            }
        });
        if ($request->hasHeader('HX-Request')) {
            $switch->load(SiteStanding::NEEDS);

            return view('plan.partials._shedding', ['page' => new SheddingPage($switch)]);
        }

        return redirect()->route('shedding', $switch)->with('said', 'The order is saved.');
    }
}
