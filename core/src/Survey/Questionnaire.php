<?php

declare(strict_types=1);

namespace Escapement\Core\Survey;

/** The questions that a kind of installation asks, in the order of the pages. */
final readonly class Questionnaire
{
    /** @var array<string, Question> by key */
    public array $questions;

    public function __construct(public string $kind)
    {
        /** @var list<Question> $all */
        $all = require __DIR__ . '/../../data/survey.php';
        $asked = [];
        foreach ($all as $question) {
            if ($question->isAskedOf($kind)) {
                $asked[$question->key] = $question;
            }
        }
        $this->questions = $asked;
    }

    /** @return list<Question> */
    public function of(Subject $subject): array
    {
        return array_values(array_filter($this->questions, static fn(Question $question): bool => $question->subject === $subject));
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return list<Question> needed and not answered yet
     */
    public function missing(array $answers): array
    {
        return array_values(array_filter(
            $this->questions,
            fn(Question $question): bool => $question->usual === null && $this->isOpen($question, $answers),
        ));
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return list<Question> taken as usual until somebody looks, to be confirmed
     */
    public function assumed(array $answers): array
    {
        return array_values(array_filter(
            $this->questions,
            fn(Question $question): bool => $question->usual !== null && $this->isOpen($question, $answers),
        ));
    }

    /**
     * The answers that count: one that another answer has made moot stays kept, and says nothing.
     *
     * @template T
     *
     * @param array<string, T> $answers
     *
     * @return array<string, T>
     */
    public function counting(array $answers): array
    {
        $counting = array_intersect_key($answers, $this->questions);
        do {
            $before = count($counting);
            $counting = array_filter(
                $counting,
                fn(string $key): bool => ! $this->questions[$key]->isMoot($counting),
                ARRAY_FILTER_USE_KEY,
            );
        } while (count($counting) !== $before); // an answer may hang on one that is moot itself

        return $counting;
    }

    /** @param array<string, mixed> $answers */
    private function isOpen(Question $question, array $answers): bool
    {
        return $question->neededFor !== null && ! isset($answers[$question->key]) && ! $this->isMoot($question, $answers);
    }

    /**
     * Gas is not asked after where the source burns something else, nor a tank where gas is piped; while the fuel is not known, neither is.
     *
     * @param array<string, mixed> $answers
     */
    private function isMoot(Question $question, array $answers): bool
    {
        $fuel = $answers['fuel'] ?? null;

        return match ($question->key) {
            'regulators', 'flexible', 'static_inwc', 'loaded_inwc', 'least_inwc', 'most_inwc' => $fuel !== 'lp'
                && $fuel !== 'natural_gas'
                || ($answers['regulators'] ?? '') === 'none',
            'tank_gal' => $fuel === null || $fuel === 'natural_gas' || $fuel === 'battery',
            default => $question->isMoot($answers),
        };
    }
}
