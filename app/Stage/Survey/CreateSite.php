<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\User;
use Illuminate\Http\RedirectResponse;

final readonly class CreateSite
{
    public function __construct(private OpenSite $opener) {}

    public function __invoke(SiteRequest $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $site = $this->opener->open($user->company_id, $request->columns($request->validated()));

        return redirect()->route('survey', $site)->with('said', "$site->name is begun. Fill in what you know; the rest can wait.");
    }
}
