<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Site;
use Illuminate\Http\RedirectResponse;

final readonly class SaveSurvey
{
    public function __invoke(SiteRequest $request, Site $site): RedirectResponse
    {
        $site->update($request->columns());

        return redirect()->route('survey', $site)->with('said', 'Saved.');
    }
}
