<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\Units;
use App\Models\Site;
use App\Models\TransferSwitch;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Survey\Question;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\Subject;
use Illuminate\Validation\Rule;

/** One page of the survey as one form: site or switch where they belong to the page, and its questions. */
final readonly class SurveyForm
{
    private const SITE = ['name', 'address', 'owner', 'timezone', 'units', 'service_a', 'notes'];

    public Units $units;
    /** @var list<Question> */
    public array $questions;

    public function __construct(public Site $site, public TransferSwitch $switch, public Subject $subject)
    {
        $this->units = new Units($site->units);
        $this->questions = array_values((new Questionnaire($site->installation->value))->of($subject));
    }

    /** @return array<string, string> what the form shows of what is kept, by dotted name */
    public function shown(): array
    {
        $shown = match ($this->subject) {
            Subject::Service => $this->ofSite(),
            Subject::Source => $this->ofSwitch(),
            default => [],
        };
        foreach ($this->questions as $question) {
            $shown["answers.$question->key"] = $this->answer($question);
        }

        return array_map(static fn(mixed $value): string => is_scalar($value) ? trim((string) $value) : '', $shown);
    }

    /** What is kept, in the units of the site; empty where it is not known. */
    public function answer(Question $question): string
    {
        $kept = $this->switch->survey[$question->key] ?? null;
        if ($question->isFigure() && is_numeric($kept)) {
            $shown = $this->units->shown($question->unit, (float) $kept);
            $kept = $this->units->unit($question->unit) === $question->unit ? $shown : round($shown, 1);
        }

        return is_scalar($kept) ? (string) $kept : '';
    }

    public function altitude(): string
    {
        return $this->site->altitude_m === null ? '' : (string) round($this->units->fromMetres((float) $this->site->altitude_m));
    }

    /** @return array<string, mixed> of the answers */
    public function rules(): array
    {
        $rules = ['answers' => ['array']];
        foreach ($this->questions as $question) {
            [$min, $max] = $this->range($question);
            $rules["answers.$question->key"] = $question->isFigure() ? [
                'nullable', 'numeric', "between:$min,$max",
            ] : ['nullable', Rule::in(array_keys($question->options))];
        }

        return $rules;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $messages = [];
        foreach ($this->questions as $question) {
            [$min, $max] = $this->range($question);
            $messages["answers.$question->key.*"] = $question->isFigure() ? "A number from $min to $max." : 'One of the answers given.';
        }

        return $messages;
    }

    /**
     * @param array<string, mixed> $typed answers by key, as validated; what was not asked stays as it is
     *
     * @return array<string, mixed> the survey of the switch
     */
    public function survey(array $typed): array
    {
        $answers = $this->switch->survey ?? [];
        foreach ($this->questions as $question) {
            if (! array_key_exists($question->key, $typed)) {
                continue;
            }
            $value = $typed[$question->key];
            $isUntouched = is_numeric($value) && (float) $value === (float) $this->answer($question) && isset($answers[$question->key]);
            if (! $isUntouched) { // what nobody touched does not wander by rounding
                $answers[$question->key] = $value === null || ! $question->isFigure() ? $value : round(
                    $this->units->typed($question->unit, (float) $value),
                    3,
                );
            }
        }

        return array_filter($answers, static fn(mixed $answer): bool => $answer !== null);
    }

    /** @return array{float, float} in the units of the site */
    public function range(Question $question): array
    {
        return $this->units->unit($question->unit) === $question->unit ? [$question->min, $question->max]
            : [round($this->units->shown($question->unit, $question->min), 1), round($this->units->shown($question->unit, $question->max))];
    }

    /** @return array<string, mixed> */
    private function ofSite(): array
    {
        return $this->site->only(self::SITE) + ['installation' => $this->site->installation->value, 'altitude' => $this->altitude()];
    }

    /** @return array<string, mixed> */
    private function ofSwitch(): array
    {
        $switch = $this->switch;
        $shown = [
            'switch_name' => $switch->name, 'service_rated' => $switch->service_rated ? '1' : '',
            'has_compressor' => $switch->has_compressor ? '1' : '',
            'largest_motor' => round($this->units->fromHorsepower((float) $switch->largest_motor_hp), 2),
        ] + $switch->only(['rating_a', 'poles', 'test_device', 'test_disconnect']) + [
            'nominal_v' => $switch->plant['sources']['normal']['nominal_v'],
            'nominal_hz' => $switch->plant['sources']['normal']['nominal_hz'],
        ];
        if ($this->site->installation->hasGenerator()) {
            $shown['fuel'] = $switch->fuel?->value;
            foreach (Fuel::cases() as $fuel) {
                $shown["rated_kw.$fuel->value"] = $switch->rated_kw[$fuel->value] ?? '';
            }
        }
        foreach ($switch->plant['engine'] ?? [] as $key => $value) {
            $shown[$key] = $key === 'crank_attempts' ? $value : $value / 1000;
        }

        return $shown;
    }
}
