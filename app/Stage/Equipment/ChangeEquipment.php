<?php

declare(strict_types=1);

namespace App\Stage\Equipment;

use App\Models\Equipment;
use Illuminate\Http\RedirectResponse;

/** Changes a piece of equipment: a new calibration, mostly. */
final readonly class ChangeEquipment
{
    public function __invoke(EquipmentRequest $request, Equipment $equipment): RedirectResponse
    {
        $equipment->update($request->columns());

        return redirect()->route('equipment')->with('said', "$equipment->name is changed.");
    }
}
