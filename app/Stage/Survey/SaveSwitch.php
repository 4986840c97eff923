<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;

final readonly class SaveSwitch
{
    public function __invoke(SwitchRequest $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->update($request->columns($switch));

        return redirect()->route('survey', ['site' => $switch->site_id, 'on' => 'source', 'switch' => $switch->id])->with('said', 'Saved.');
    }
}
