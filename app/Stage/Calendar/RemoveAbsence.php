<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\Absence;
use Illuminate\Http\RedirectResponse;

/** Takes an absence back. */
final readonly class RemoveAbsence
{
    public function __invoke(Absence $absence): RedirectResponse
    {
        $absence->delete();

        return redirect()->to(route('calendar') . '#people')->with('said', 'The absence is taken back.');
    }
}
