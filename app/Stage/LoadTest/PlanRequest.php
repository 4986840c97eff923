<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\Equipment;
use Escapement\Core\Input\BadInput;
use Escapement\Core\LoadTest\TestProfile;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** The form of a planned load test as the core takes it; what the core refuses stands at its field. */
final readonly class PlanRequest
{
    /** Where a fault of the input stands in the form. */
    private const FIELDS = [
        '/profile' => 'profile', '/steps' => 'steps', '/class_min' => 'class_min', '/building_kw' => 'building_kw',
        '/bank_elements_kw' => 'bank_elements', '/reading_interval_min' => 'reading_interval_min', '/warmup_min' => 'warmup_min',
        '/cooldown_min' => 'cooldown_min', '/fuel_available' => 'fuel_available',
    ];
    private const FIGURES = ['class_min', 'building_kw', 'reading_interval_min', 'warmup_min', 'cooldown_min', 'fuel_available'];
    private const WORDS = ['people', 'hours', 'noise', 'edition'];
    private const TICKS = ['use_building', 'auto_drop', 'cold_start', 'monthly_met'];

    public function __construct(private LoadTestFacts $facts) {}

    /**
     * @return array<string, mixed> columns of a test: the plan, when, the bank, people, hours, noise and edition
     *
     * @throws ValidationException
     */
    public function read(Request $request): array
    {
        $fields = $request->validate([
            'profile' => ['required', Rule::enum(TestProfile::class)],
            'steps' => ['nullable', 'string', 'max:400', 'required_if:profile,custom'],
            'bank_elements' => ['nullable', 'string', 'max:400'],
            'bank_side' => ['nullable', 'in:generator,load'],
            'class_min' => ['nullable', 'numeric'], 'building_kw' => ['nullable', 'numeric'],
            'reading_interval_min' => ['nullable', 'numeric'], 'warmup_min' => ['nullable', 'numeric'],
            'cooldown_min' => ['nullable', 'numeric'], 'fuel_available' => ['nullable', 'numeric'],
            'planned_for' => ['nullable', 'date_format:Y-m-d\TH:i'],
            'equipment_id' => ['nullable', 'integer'], 'people' => ['nullable', 'string', 'max:300'],
            'hours' => ['nullable', 'string', 'max:120'], 'noise' => ['nullable', 'string', 'max:300'],
            'edition' => ['nullable', 'string', 'max:120'],
        ], [
            'profile.*' => 'Choose what is to be proved.',
            'steps.*' => 'Each step as level × minutes, parted by commas: 30 × 15, 50 × 15, 75 × 30.',
            'bank_elements.*' => 'Kilowatts parted by commas: 5, 5, 10, 20.',
            'planned_for.*' => 'A day and an hour.',
            'equipment_id.*' => 'Choose a bank from the list.',
            'people.*' => 'Up to 300 characters.', 'noise.*' => 'Up to 300 characters.',
            'hours.*' => 'Up to 120 characters.', 'edition.*' => 'Up to 120 characters.',
            '*.numeric' => 'A number.',
        ]);
        $bank = $this->bank($fields['equipment_id'] ?? null);
        $chosen = ['profile' => $fields['profile'], 'bank_side' => $fields['bank_side'] ?? 'load'];
        if ($fields['profile'] === TestProfile::Custom->value) {
            $chosen['steps'] = $this->steps((string) $fields['steps']);
        }
        $typed = $this->elements((string) ($fields['bank_elements'] ?? ''));
        $chosen['bank_elements_kw'] = $typed === [] ? $bank->elements_kw ?? [] : $typed;
        foreach (self::FIGURES as $key) {
            $isAsked = $key !== 'class_min' || TestProfile::from($fields['profile'])->hasClass();
            if ($isAsked && isset($fields[$key])) {
                $chosen[$key] = (float) $fields[$key];
            }
        }
        foreach (self::TICKS as $key) {
            $chosen[$key] = $request->boolean($key);
        }
        $chosen['auto_drop'] = $chosen['auto_drop'] || ($bank->drops_itself ?? false);
        $plan = $this->facts->planInput($chosen);
        try {
            LoadTestFacts::planned($plan);
        } catch (BadInput $e) {
            throw ValidationException::withMessages([$this->fieldOf($e->path) => $e->getMessage()]);
        }
        $for = $fields['planned_for'] ?? null;

        return [
            'plan' => $plan,
            'planned_for' => $for === null ? null
                : Carbon::createFromFormat('Y-m-d\TH:i', $for, $this->facts->switch->site->timezone)?->utc(),
            'equipment_id' => $bank?->id,
        ] + array_map(static fn(string $key): mixed => $fields[$key] ?? null, array_combine(self::WORDS, self::WORDS));
    }

    /** @throws ValidationException */
    private function bank(mixed $id): ?Equipment
    {
        if (! is_numeric($id)) {
            return null;
        }
        $query = Equipment::query();
        $query->where('kind', 'load_bank')->where('id', (int) $id)->whereNull('retired_at');
        $bank = $query->first();

        return $bank ?? throw ValidationException::withMessages(['equipment_id' => 'Choose a bank from the list.']);
    }

    /** @return list<array{level_pct: float, minutes: float}> */
    private function steps(string $typed): array
    {
        $steps = [];
        foreach (array_filter(preg_split('/[;,\n]+/', $typed) ?: [], static fn(string $one): bool => trim($one) !== '') as $one) {
            if (preg_match('/^\s*(\d+(?:\.\d+)?)\s*%?\s*[x×*]\s*(\d+(?:\.\d+)?)\s*(?:min)?\s*$/u', $one, $found) !== 1) {
                throw ValidationException::withMessages(['steps' => "\"$one\" is no step. Write level × minutes: 30 × 15."]);
            }
            $steps[] = ['level_pct' => (float) $found[1], 'minutes' => (float) $found[2]];
        }

        return $steps;
    }

    /** @return list<float> */
    private function elements(string $typed): array
    {
        $elements = [];
        foreach (preg_split('/[;,\s]+/', $typed, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            $elements[] = is_numeric($one) ? (float) $one
                : throw ValidationException::withMessages(['bank_elements' => "\"$one\" is no number of kilowatts."]);
        }

        return $elements;
    }

    private function fieldOf(string $path): string
    {
        foreach (self::FIELDS as $start => $field) {
            if (str_starts_with($path, $start)) {
                return $field;
            }
        }

        return 'profile';
    }
}
