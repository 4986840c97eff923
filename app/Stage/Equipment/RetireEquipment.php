<?php

declare(strict_types=1);

namespace App\Stage\Equipment;

use App\Models\Equipment;
use Illuminate\Http\RedirectResponse;

/** Takes a piece out of the list; the tests that were made with it still name it. */
final readonly class RetireEquipment
{
    public function __invoke(Equipment $equipment): RedirectResponse
    {
        $equipment->update(['retired_at' => now()]);

        return redirect()->route('equipment')->with('said', "$equipment->name is out of use.");
    }
}
