<?php

declare(strict_types=1);

namespace App\Stage\Meters;

use App\Bridge\MeterFacts;
use App\Http\Seen;
use App\Models\CapacitorBank;
use App\Models\Distribution;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** The capacitor bank of a panel, and the load that it corrects. */
final readonly class SaveBank
{
    public const FIELDS = [
        'kw' => ['Load to correct', 'kW', 0.1, 100_000, true], 'pf' => ['Its power factor', '', 0.1, 1, true],
        'target_pf' => ['Wanted', '', 0.5, 1, true], 'v_ll_v' => ['Line voltage', 'V', 100, 15_000, true],
        'rated_v' => ['Capacitors made for', 'V', 100, 20_000, false], 'fixed_kvar' => ['Fixed stage', 'kvar', 0.1, 10_000, false],
        'discharge_s' => ['Discharges within', 's', 1, 3600, false], 'reconnect_s' => ['Back on after, at least', 's', 0, 3600, false],
        'system_kva' => ['Short-circuit power at the bus', 'kVA', 1, 1e7, false],
        'nonlinear_pct' => ['Share of drives and rectifiers', '%', 0, 100, false],
        'generator_kw' => ['Lightest load on the generator', 'kW', 0, 100_000, false],
        'generator_pf' => ['Its power factor then', '', 0.1, 1, false],
    ];
    private const MOST_STEPS = 12;

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $rules = $messages = [];
        foreach (self::FIELDS as $field => [$label, , $least, $most, $isNeeded]) {
            $rules[$field] = [$isNeeded ? 'required' : 'nullable', 'numeric', "between:$least,$most"];
            $messages["$field.*"] = "$label: a number from $least to $most.";
        }
        $fields = $request->validate($rules + [
            'steps' => ['nullable', 'string', 'max:200'], 'fixed_switchable' => ['nullable', 'boolean'],
            'detuned' => ['nullable', 'boolean'],
        ], $messages);
        $columns = array_map(
            static fn(mixed $value): ?float => $value === null ? null : (float) $value,
            array_intersect_key($fields, self::FIELDS),
        );
        $columns['nonlinear_pct'] ??= 0.0;
        $columns['steps_kvar'] = self::steps($fields['steps'] ?? '');
        $columns['fixed_switchable'] = (bool) ($fields['fixed_switchable'] ?? false);
        $columns['detuned'] = (bool) ($fields['detuned'] ?? false);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($request, $switch, $columns, $user): void {
            TransferSwitch::locked($switch->id);
            $bank = CapacitorBank::query()->firstOrNew(['switch_id' => $switch->id], ['company_id' => $switch->company_id]);
            Seen::check($request, $bank->exists ? $bank->updated_at?->toIso8601String() : null, 'by somebody else of the company');
            $bank->fill($columns + ['user_id' => $user->id]);
            try {
                MeterFacts::bank($switch, $bank, Distribution::query()->where('switch_id', $switch->id)->first());
            } catch (BadInput $bad) {
                $field = explode('/', trim($bad->path, '/'))[0];
                throw ValidationException::withMessages([isset(self::FIELDS[$field]) ? $field : 'steps' => $bad->getMessage()]);
            }
            $bank->save();
        });

        return redirect()->route('meters', $switch)->with('said', 'The capacitor bank is saved.');
    }

    /** @return list<float> kilovars of the steps */
    private static function steps(string $typed): array
    {
        $steps = [];
        foreach (preg_split('/\s*[,;]\s*|\s+/', trim($typed), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            if (! is_numeric($one) || $one <= 0 || count($steps) >= self::MOST_STEPS) {
                throw ValidationException::withMessages(['steps' => 'Kilovars of up to twelve steps, as 10, 20, 20.']);
            }
            $steps[] = (float) $one;
        }

        return $steps;
    }
}
