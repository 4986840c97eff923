<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\SurveyFacts;
use App\Bridge\Units;
use App\Models\TransferSwitch;
use Escapement\Core\Survey\Question;

/** What the survey of a switch has answered, in words and in the units of its site. */
final readonly class AnsweredQuestions
{
    public function __construct(private TransferSwitch $switch, private SurveyFacts $facts, private Units $units) {}

    /** @return list<non-empty-list<array{label: string, answer: string}>> two beside each other on paper */
    public function pairs(): array
    {
        $answered = [];
        foreach ($this->facts->questionnaire->questions as $key => $question) {
            $answer = $this->switch->survey[$key] ?? null;
            if ($answer !== null) {
                $answered[] = ['label' => $question->label, 'answer' => $this->words($question, (string) $answer)];
            }
        }

        return array_chunk($answered, 2);
    }

    private function words(Question $question, string $answer): string
    {
        return $question->isFigure()
            ? round($this->units->shown($question->unit, (float) $answer), 1) . ' ' . $this->units->unit($question->unit)
            : $question->options[$answer] ?? $answer;
    }
}
