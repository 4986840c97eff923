<?php

declare(strict_types=1);

namespace App\Stage\Equipment;

use App\Models\Equipment;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** A piece of equipment as it is typed. */
final class EquipmentRequest extends FormRequest
{
    /** As many elements as a plan takes. */
    private const MOST_ELEMENTS = 24;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::in(array_keys(Equipment::KINDS))], 'name' => ['required', 'string', 'max:80'],
            'serial' => ['nullable', 'string', 'max:60'], 'calibrated_until' => ['nullable', 'date_format:Y-m-d'],
            'elements' => ['nullable', 'string', 'max:400', 'required_if:kind,load_bank'],
            'rated_v' => ['nullable', 'numeric', 'between:1,1000'], 'phases' => ['nullable', 'integer', 'between:1,3'],
            'cable' => ['nullable', 'string', 'max:120'], 'cable_a' => ['nullable', 'numeric', 'between:1,10000'],
            'fan_supply' => ['nullable', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind.*' => 'Choose what it is.', 'name.*' => 'A name to know it by.', 'serial.*' => 'Up to 60 characters.',
            'calibrated_until.*' => 'A day.',
            'elements.*' => 'The elements of a bank in kilowatts, in the order of its switches: 5, 5, 10, 20.',
            'rated_v.*' => 'Volts from 1 to 1000.', 'phases.*' => '1, 2 or 3.', 'cable.*' => 'Up to 120 characters.',
            'cable_a.*' => 'Amperes from 1 to 10 000.', 'fan_supply.*' => 'Up to 120 characters.',
        ];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $fields = $this->validated();
        $isBank = $fields['kind'] === 'load_bank';
        $until = $fields['calibrated_until'] ?? null;

        return [
            'kind' => $fields['kind'], 'name' => $fields['name'], 'serial' => $fields['serial'] ?? null,
            'calibrated_until' => $until === null ? null : Carbon::parse((string) $until),
            'elements_kw' => $isBank ? self::elements((string) ($fields['elements'] ?? '')) : null,
        ] + ($isBank ? [
            'rated_v' => $fields['rated_v'] ?? null, 'phases' => $fields['phases'] ?? null, 'cable' => $fields['cable'] ?? null,
            'cable_a' => $fields['cable_a'] ?? null, 'fan_supply' => $fields['fan_supply'] ?? null,
            'drops_itself' => $this->boolean('drops_itself'),
        ] : []);
    }

    /** @return list<float> */
    private static function elements(string $typed): array
    {
        $elements = [];
        foreach (preg_split('/[;,\s]+/', $typed, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            $elements[] = is_numeric($one) && $one > 0 && $one <= 10_000 ? (float) $one
                : throw ValidationException::withMessages(['elements' => "\"$one\" is no number of kilowatts."]);
        }
        if ($elements === [] || count($elements) > self::MOST_ELEMENTS) {
            throw ValidationException::withMessages(['elements' => 'From one to ' . self::MOST_ELEMENTS . ' elements.']);
        }

        return $elements;
    }
}
