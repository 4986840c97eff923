<?php

declare(strict_types=1);

namespace App\Stage\Library;

use App\Models\Scenario;
use Illuminate\Http\RedirectResponse;

final readonly class RemoveScenario
{
    public function __invoke(Scenario $scenario): RedirectResponse
    {
        $scenario->delete();

        return redirect()->route('library')->with('said', "\"$scenario->name\" is removed.");
    }
}
