<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\Units;
use App\Models\TransferSwitch;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Wire\PlantReader;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** The switch and its generator. Times are typed in seconds and stored in milliseconds. */
final class SwitchRequest extends FormRequest
{
    public const ENGINE_SECONDS = ['crank_ms', 'crank_limit_ms', 'crank_rest_ms', 'run_up_ms', 'stop_ms'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $seconds = ['required', 'seconds', 'numeric', 'between:0,86400'];

        return [
            'switch_name' => ['required', 'string', 'max:60'],
            'rating_a' => ['nullable', 'integer', 'between:1,10000'],
            'poles' => ['nullable', 'integer', 'between:1,4'],
            'service_rated' => ['nullable', 'boolean'],
            'test_disconnect' => ['nullable', 'string', 'max:60'],
            'test_device' => ['nullable', 'string', 'max:64', 'regex:/^[a-z][a-z0-9.-]*$/'],
            'fuel' => ['nullable', Rule::enum(Fuel::class)],
            'rated_kw' => ['array'],
            'rated_kw.*' => ['nullable', 'numeric', 'between:0.1,100000'],
            'largest_motor' => ['nullable', 'numeric', 'between:0,10000'],
            'has_compressor' => ['nullable', 'boolean'],
            'nominal_v' => ['required', 'numeric', 'gt:0', 'max:1000000'],
            'nominal_hz' => ['required', 'numeric', 'gt:0', 'max:1000'],
        ] + ($this->hasEngine() ? array_fill_keys(self::ENGINE_SECONDS, $seconds) + [
            'crank_attempts' => ['required', 'integer', 'between:1,10'],
        ] : []);
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'numeric' => 'This must be a number.',
            'seconds' => 'This must be a time, as 1.3, 5 min or 5:00.',
            'integer' => 'This must be a whole number.',
            'between' => 'This must lie between :min and :max.',
            'required' => 'This is needed: the rehearsal counts with it.',
            'gt' => 'This must be above 0.',
        ];
    }

    /**
     * @param array<string, mixed> $fields as validated
     *
     * @return array<string, mixed> columns of a switch
     */
    public function columns(array $fields, TransferSwitch $switch): array
    {
        $plant = $switch->plant;
        foreach (['normal', 'emergency'] as $side) {
            $plant['sources'][$side]['nominal_v'] = 0 + $fields['nominal_v'];
            $plant['sources'][$side]['nominal_hz'] = 0 + $fields['nominal_hz'];
        }
        if ($this->hasEngine()) {
            foreach (self::ENGINE_SECONDS as $key) {
                $plant['engine'][$key] = (int) round(1000 * (float) $fields[$key]);
            }
            $plant['engine']['crank_attempts'] = (int) $fields['crank_attempts'];
        }
        try {
            $plant = (new PlantReader())->plant(Node::fromArray($plant))->toArray();
        } catch (BadInput $e) {
            $parts = explode('/', $e->path);
            throw ValidationException::withMessages([$parts[count($parts) - 1] => $e->getMessage()]);
        }

        return [
            'name' => $fields['switch_name'],
            'rating_a' => $fields['rating_a'] ?? null,
            'poles' => $fields['poles'] ?? null,
            'service_rated' => (bool) ($fields['service_rated'] ?? false),
            'test_disconnect' => $fields['test_disconnect'] ?? null,
            'test_device' => $fields['test_device'] ?? null,
            'fuel' => $fields['fuel'] ?? null,
            'rated_kw' => array_map(floatval(...), array_filter($fields['rated_kw'] ?? [], static fn(mixed $kw): bool => $kw !== null)),
            'largest_motor_hp' => $this->horsepower($switch, (float) ($fields['largest_motor'] ?? 0)),
            'has_compressor' => (bool) ($fields['has_compressor'] ?? false),
            'plant' => $plant,
        ];
    }

    /** A figure that nobody touched stays as it is, and does not wander by rounding. */
    private function horsepower(TransferSwitch $switch, float $typed): float
    {
        $units = new Units($switch->site->units);
        $kept = (float) $switch->largest_motor_hp;

        return round($units->fromHorsepower($kept), 2) === round($typed, 2) ? $kept : round($units->toHorsepower($typed), 2);
    }

    private function hasEngine(): bool
    {
        $switch = $this->route('switch');

        return $switch instanceof TransferSwitch && is_array($switch->plant['engine'] ?? null);
    }
}
