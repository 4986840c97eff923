<?php

declare(strict_types=1);

namespace App\Stage\Library;

use Illuminate\Foundation\Http\FormRequest;

final class RecordingRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'phases' => ['required', 'integer', 'between:1,3'],
            'nominal_v' => ['required', 'numeric', 'between:1,1000000'],
            'nominal_hz' => ['required', 'numeric', 'between:1,1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'It needs a name to be found by.', 'phases.*' => 'One, two or three voltages.',
            'nominal_v.*' => 'The nominal voltage, in volts above 0.', 'nominal_hz.*' => 'The nominal frequency, in hertz above 0.',
        ];
    }
}
