<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The whole list of loads at once; lines without a name are left out. */
final readonly class SaveLoads
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $lines = array_values(array_filter(
            (array) $request->input('loads', []),
            static fn(mixed $line): bool => is_array($line) && (trim((string) ($line['name'] ?? '')) !== '' || ($line['kw'] ?? '') !== ''),
        ));
        $request->merge(['loads' => $lines]);
        $fields = $request->validate([
            'loads' => ['array', 'max:200'],
            'loads.*.name' => ['required', 'string', 'max:64', 'distinct:ignore_case'],
            'loads.*.kw' => ['required', 'numeric', 'between:0,100000'],
            'loads.*.priority' => ['required', 'integer', 'between:1,99'],
            'loads.*.must_run' => ['nullable', 'boolean'],
            'loads.*.shed' => ['nullable', 'boolean'],
            'loads.*.connect' => ['nullable', 'in:L1,L2,L3,L1L2,L2L3,L3L1,3P'],
            'loads.*.start_kva' => ['nullable', 'numeric', 'between:0,100000'],
            'loads.*.compressor' => ['nullable', 'boolean'],
            'loads.*.essential' => ['nullable', 'boolean'],
        ], [
            'loads.*.name.required' => 'A load needs a name.',
            'loads.*.name.distinct' => 'This load is in the list already.',
            'loads.*.kw.*' => 'Running power in kW, from 0 to 100 000.',
            'loads.*.start_kva.*' => 'kVA at the start, from 0.',
            'loads.*.connect.*' => 'One leg, two legs, or three phases.',
            'loads.*.priority.*' => 'From 1, the most important, to 99.',
        ]);
        DB::transaction(static function () use ($switch, $fields): void {
            $switch->loads()->delete();
            foreach ($fields['loads'] ?? [] as $place => $line) {
                LoadItem::query()->create([
                    'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'place' => $place, 'name' => $line['name'], 'kw' => $line['kw'],
                    'priority' => $line['priority'], 'must_run' => (bool) ($line['must_run'] ?? false),
                    // what must run is never shed, whatever else is ticked
                    'shed' => ! ($line['must_run'] ?? false) && ($line['shed'] ?? false),
                    'connect' => $line['connect'] ?? null, 'start_kva' => $line['start_kva'] ?? 0,
                    'compressor' => (bool) ($line['compressor'] ?? false), 'essential' => (bool) ($line['essential'] ?? false),
                ]);
            }
        });

        return redirect()->route('survey', ['site' => $switch->site_id, 'switch' => $switch->id])->withFragment('loads')->with('said', 'Loads saved.');
    }
}
