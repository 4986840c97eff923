<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\Units;
use App\Models\TransferSwitch;
use Escapement\Core\Survey\Question;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\Subject;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** The answers of one page; what is left empty is not known yet, and the other pages stay as they are. */
final readonly class SaveAnswers
{
    public function __invoke(Request $request, TransferSwitch $switch, string $subject): RedirectResponse
    {
        $units = new Units($switch->site->units);
        $questions = (new Questionnaire($switch->site->installation->value))->of(Subject::from($subject));
        $rules = $messages = [];
        foreach ($questions as $question) {
            $field = "answers.$question->key";
            if ($question->isFigure()) {
                [$min, $max] = self::range($question, $units);
                $rules[$field] = ['nullable', 'numeric', "between:$min,$max"];
                $messages["$field.*"] = "A number from $min to $max.";
            } else {
                $rules[$field] = ['nullable', Rule::in(array_keys($question->options))];
                $messages["$field.*"] = 'One of the answers given.';
            }
        }
        $typed = $request->validate(['answers' => ['array']] + $rules, $messages)['answers'] ?? [];
        $answers = $switch->survey ?? [];
        foreach ($questions as $question) {
            $value = $typed[$question->key] ?? null;
            $answers[$question->key] = $value === null || $question->isFigure() === false ? $value : round($question->isLength() ? $units->toMetres((float) $value) : (float) $value, 3);
        }
        $switch->update(['survey' => array_filter($answers, static fn(mixed $answer): bool => $answer !== null)]);

        return redirect()->route('survey', ['site' => $switch->site_id, 'on' => $request->boolean('next') ? SurveyPage::after($subject) : $subject, 'switch' => $switch->id])->with('said', 'Saved.');
    }

    /** @return array{float, float} in the units of the site */
    public static function range(Question $question, Units $units): array
    {
        return $question->isLength() ? [round($units->fromMetres($question->min), 1), round($units->fromMetres($question->max))] : [$question->min, $question->max];
    }
}
