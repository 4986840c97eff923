<?php

declare(strict_types=1);

namespace App\Stage\Meters;

use App\Bridge\MeterFacts;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** What was typed of a panel meter, or pasted as lines; what was not read stays empty. */
final readonly class MeterRequest
{
    /** Per phase: field, label, unit, least, most. */
    public const PHASE = [
        'v_v' => ['To neutral', 'V', 0, 1000], 'a_a' => ['Current as shown', 'A', 0, 10_000], 'pf' => ['Power factor', '', 0, 1],
        'kw' => ['Power as shown', 'kW', -10_000, 10_000], 'v_deg' => ['Angle of the voltage', '°', -360, 360],
        'i_deg' => ['Angle of the current', '°', -360, 360],
    ];
    public const LINES = ['L1L2', 'L2L3', 'L3L1'];
    public const SINGLE = [
        'neutral_a' => ['Neutral, measured', 'A', 0, 10_000], 'ct_primary_a' => ['Transformers, primary', 'A', 1, 10_000],
        'ct_secondary_a' => ['Transformers, secondary', 'A', 0.1, 10],
        'meter_primary_a' => ['The meter is set to, primary', 'A', 1, 10_000],
        'meter_secondary_a' => ['The meter is set to, secondary', 'A', 0.1, 10],
    ];
    /** The order of figures in a pasted line. */
    public const PASTED = ['v_v', 'a_a', 'pf', 'kw', 'v_deg', 'i_deg'];
    private const PATHS = ['i_a' => 'a_a', 'kw_meter' => 'kw', 'ct' => 'ct_primary_a', 'rotation_expected' => 'rotation'];

    /** @return array<string, mixed> columns of a MeterReading */
    public static function columns(Request $request): array
    {
        self::takePasted($request);
        $rules = $messages = [];
        foreach (self::PHASE as $field => [$label, , $least, $most]) {
            $rules["$field.*"] = ['nullable', 'numeric', "between:$least,$most"];
            $messages["$field.*.*"] = "$label: a number from $least to $most.";
        }
        $rules['v_ll_v.*'] = ['nullable', 'numeric', 'between:0,2000'];
        $messages['v_ll_v.*.*'] = 'Line to line: a number from 0 to 2000.';
        foreach (self::SINGLE as $field => [$label, , $least, $most]) {
            $rules[$field] = ['nullable', 'numeric', "between:$least,$most"];
            $messages["$field.*"] = "$label: a number from $least to $most.";
        }
        $fields = $request->validate($rules + [
            'lead' => ['nullable', 'array'], 'lead.*' => ['in:0,1,2'], 'rotation' => ['required', 'in:abc,acb'],
            'note' => ['nullable', 'string', 'max:300'], 'pasted' => ['nullable', 'string', 'max:2000'],
        ], $messages);
        $columns = ['rotation' => $fields['rotation'], 'note' => $fields['note'] ?? null];
        foreach ([...array_keys(self::PHASE), 'v_ll_v'] as $field) {
            $columns[$field] = self::three($fields[$field] ?? [], $field);
        }
        foreach (array_keys(self::SINGLE) as $field) {
            $columns[$field] = isset($fields[$field]) ? (float) $fields[$field] : null;
        }
        $leads = array_map(intval(...), $fields['lead'] ?? []);
        $columns['lead'] = $leads === [] ? null : array_map(static fn(int $phase): bool => in_array($phase, $leads, true), [0, 1, 2]);
        self::check($columns);

        return $columns;
    }

    /** Lines of L1, L2, L3 take the place of what was typed. */
    private static function takePasted(Request $request): void
    {
        $pasted = $request->input('pasted');
        if (! is_string($pasted) || trim($pasted) === '') {
            return;
        }
        $lines = preg_split('/\R/', trim($pasted)) ?: [];
        if (count($lines) !== 3) {
            throw ValidationException::withMessages(['pasted' => 'Three lines, for L1, L2 and L3; these are ' . count($lines) . '.']);
        }
        $typed = [];
        foreach ($lines as $phase => $line) {
            $cells = preg_split('/\s*[;\t]\s*|\s+/', trim((string) preg_replace('/^L?[123]\s*[:;\t ]\s*/i', '', trim($line)))) ?: [];
            if (count($cells) < 2 || count($cells) > count(self::PASTED)) {
                throw ValidationException::withMessages([
                    'pasted' => 'Line ' . ($phase + 1) . ': volts and amperes, then as far as it was read power factor, kilowatts, angle '
                        . 'of the voltage, angle of the current, with spaces between.',
                ]);
            }
            foreach ($cells as $i => $cell) {
                $typed[self::PASTED[$i]][$phase] = $cell === '-' ? '' : $cell;
            }
        }
        $request->merge($typed);
    }

    /**
     * All three of a figure, or none.
     *
     * @param array<int|string, mixed> $values
     *
     * @return null|list<float>
     */
    private static function three(array $values, string $field): ?array
    {
        $given = array_filter(array_intersect_key($values, [0 => 1, 1 => 1, 2 => 1]), static fn(mixed $one): bool => $one !== null);
        if ($given === []) {
            if ($field === 'a_a') {
                throw ValidationException::withMessages(['a_a.0' => 'The currents of all three phases, as the meter shows them.']);
            }

            return null;
        }
        foreach ([0, 1, 2] as $phase) {
            if (! isset($given[$phase])) {
                throw ValidationException::withMessages(["$field.$phase" => 'All three phases, or none of them.']);
            }
        }
        ksort($given);

        return array_map(floatval(...), array_values($given));
    }

    /** @param array<string, mixed> $columns */
    private static function check(array $columns): void
    {
        try {
            MeterFacts::meter($columns);
        } catch (BadInput $bad) {
            $parts = explode('/', trim($bad->path, '/'));
            $field = self::PATHS[$parts[0]] ?? ($parts[0] === '' ? 'v_v' : $parts[0]);
            $isSingle = isset(self::SINGLE[$field]) || $field === 'rotation';
            throw ValidationException::withMessages([$isSingle ? $field : $field . '.' . ($parts[1] ?? '0') => $bad->getMessage()]);
        }
    }
}
