<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** The whole list of loads at once; lines without a name are left out. */
final readonly class SaveLoads
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $request->merge(['loads' => LoadLines::typed($request)]);
        $fields = $request->validate(LoadLines::rules() + ['loads.*.connect' => ['nullable', Rule::in(array_keys(LoadLines::connections($switch)))]], LoadLines::messages());
        DB::transaction(static function () use ($switch, $fields): void {
            $panels = $switch->loads()->pluck('panel', 'name'); // where a load hangs is said on the drawing, not here
            $switch->loads()->delete();
            foreach ($fields['loads'] ?? [] as $place => $line) {
                LoadItem::query()->create(LoadLines::columns($line) + ['company_id' => $switch->company_id, 'switch_id' => $switch->id, 'place' => $place, 'panel' => $panels[$line['name']] ?? null]);
            }
        });

        return redirect()->route('survey', ['site' => $switch->site_id, 'on' => $request->boolean('next') ? SurveyPage::after('loads') : 'loads', 'switch' => $switch->id])->with('said', 'Loads saved.');
    }
}
