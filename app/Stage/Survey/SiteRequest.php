<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\Units;
use App\Models\Site;
use Escapement\Core\Plant\InstallationKind;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class SiteRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $most = $this->input('units') === 'us' ? 29_000 : 8850;

        return [
            'name' => ['required', 'string', 'max:120'],
            'address' => ['nullable', 'string', 'max:250'],
            'owner' => ['nullable', 'string', 'max:120'],
            'timezone' => ['required', 'timezone:all'],
            'units' => ['required', 'in:us,metric'],
            'installation' => ['required', Rule::enum(InstallationKind::class)],
            'service_a' => ['nullable', 'integer', 'between:1,10000'],
            'altitude' => ['nullable', 'numeric', "between:-1500,$most"],
            'notes' => ['nullable', 'string', 'max:5000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'A site needs a name that you would say on the telephone.',
            'timezone.required' => 'Exercise times are local: choose the time zone.',
            'timezone.timezone' => 'This is no time zone that this machine knows.',
            'service_a.integer' => 'Whole amperes, from 1 to 10 000 A.',
            'service_a.between' => 'A service has 1 to 10 000 A.',
            'altitude.numeric' => 'A number: the elevation.',
            'altitude.between' => 'From :min to :max; higher than that nobody stands.',
        ];
    }

    /**
     * @param array<string, mixed> $fields as validated
     * @param ?Site                $site   as it is kept: a height that stands in the units it was shown in is converted with them
     *
     * @return array<string, mixed> columns of a site
     */
    public function columns(array $fields, ?Site $site = null): array
    {
        $altitude = $fields['altitude'] ?? null;
        unset($fields['altitude']);
        $shown = $site?->altitude_m === null ? null : round((new Units($site->units))->fromMetres((float) $site->altitude_m));
        $isUntouched = $site !== null && $shown !== null && is_numeric($altitude) && round((float) $altitude) === $shown;
        $metres = $altitude === null ? null : (new Units($fields['units']))->toMetres((float) $altitude);

        return $fields + ['altitude_m' => $isUntouched ? $site->altitude_m : $metres];
    }
}
