<?php

declare(strict_types=1);

namespace App\Stage\Equipment;

use App\Models\Equipment;
use App\Models\User;
use Illuminate\Http\RedirectResponse;

/** Puts a load bank, a meter or a tool into the company's list. */
final readonly class AddEquipment
{
    public function __invoke(EquipmentRequest $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $one = Equipment::query()->create($request->columns() + ['company_id' => $user->company_id]);

        return redirect()->route('equipment')->with('said', "$one->name is in the list.");
    }
}
