<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final readonly class SaveLoads
{
    public function __construct(private KeepLoads $keeper) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $this->keeper->keep($request, $switch);

        return redirect()->route(
            'survey',
            ['site' => $switch->site_id, 'on' => $request->boolean('next') ? SurveyPage::after('loads') : 'loads', 'switch' => $switch->id],
        )->with('said', 'Loads saved.');
    }
}
