<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\Site;
use Illuminate\Http\RedirectResponse;

final readonly class AddSwitch
{
    public function __construct(private OpenSite $opener) {}

    public function __invoke(Site $site): RedirectResponse
    {
        $switch = $this->opener->addSwitch($site, ['name' => 'Q' . ($site->switches()->count() + 1)]);

        return redirect()->route('survey', ['site' => $site, 'switch' => $switch->id])->with('said', "Switch $switch->name is added.");
    }
}
