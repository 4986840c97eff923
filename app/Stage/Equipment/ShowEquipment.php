<?php

declare(strict_types=1);

namespace App\Stage\Equipment;

use App\Http\Typed;
use App\Models\Equipment;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** Load banks, meters and tools of the company, with the day until which they are calibrated. */
final readonly class ShowEquipment
{
    public function __invoke(Request $request): View
    {
        $query = Equipment::query();
        $query->orderBy('kind')->orderBy('name');

        $equipment = $query->whereNull('retired_at')->get();

        return view('equipment.page', [
            'equipment' => $equipment, 'today' => Carbon::today(),
            'edited' => $equipment->firstWhere('id', (int) Typed::text($request, 'edit')),
        ]);
    }
}
