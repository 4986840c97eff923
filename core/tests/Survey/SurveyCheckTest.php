<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Survey;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\SurveyCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SurveyCheckTest extends TestCase
{
    /**
     * @param array<string, mixed> $answers
     * @param list<string>         $ids     of the findings, besides the one for the missing picture
     */
    #[Test, DataProvider('answers')]
    public function an_answer_says_what_it_means_for_the_work(string $kind, array $answers, array $ids): void
    {
        $found = array_map(static fn($finding): string => $finding->id, $this->check($kind, $answers, ['before_photos' => 1])->findings);
        self::assertSame($ids, $found);
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>}> */
    public static function answers(): iterable
    {
        yield 'nothing known, nothing said' => ['K1', [], []];
        yield 'no alarm inside' => ['K1', ['co_alarms' => 'no'], ['no-co-alarm']];
        yield 'no alarm needed beside a battery' => ['K1', ['co_alarms' => 'no', 'fuel' => 'battery'], []];
        yield 'on the usual distance' => ['K1', ['opening_m' => 1.5], []];
        yield 'a hand nearer' => ['K1', ['opening_m' => 1.4], ['too-close-to-opening']];
        yield 'far enough for its own instructions' => ['K1', ['opening_m' => 1.0, 'opening_least_m' => 0.9], []];
        yield 'too near for its own instructions' => ['K1', ['opening_m' => 2.0, 'opening_least_m' => 3.0], ['too-close-to-opening']];
        yield 'ten percent of sag is borne' => ['K1', ['static_inwc' => 10, 'loaded_inwc' => 9], []];
        yield 'more is not' => ['K1', ['static_inwc' => 10, 'loaded_inwc' => 8.9], ['gas-pressure-sags']];
        yield 'a rigid pipe and one regulator' => [
            'K10',
            ['flexible' => 'no', 'regulators' => 'no'],
            ['rigid-gas-connection', 'shared-regulator'],
        ];
        yield 'a plug-in box in the rain' => ['K4', ['box_place' => 'wet'], ['switch-not-rated-for-place']];
        yield 'a portable on one leg' => ['K4', ['selector' => 'single', 'outlet_gfci' => 'yes'], ['selector-on-single', 'gfci-feeds-box']];
        yield 'a cord end that was hot' => ['K6', ['cord_end' => 'hot'], ['cord-end-worn']];
        yield 'a charger that cannot be shed' => ['K6', ['converter_circuit' => 'no'], ['converter-not-alone']];
        yield 'a bay that is closed' => ['K5', ['ventilated' => 'no'], ['bay-not-vented']];
        yield 'no slack and only the utility' => ['K3', ['slack_m' => 0, 'upstream' => 'utility'], ['no-slack', 'utility-opens']];
        yield 'some slack' => ['K3', ['slack_m' => 0.1], []];
    }

    #[Test]
    public function electronics_without_a_ups_are_named(): void
    {
        $answer = $this->check(
            'K1',
            [],
            [
                'before_photos' => 1,
                'loads' => [
                    ['id' => 'Router', 'sensitive' => true],
                    ['id' => 'Server', 'sensitive' => true, 'ups' => true],
                    ['id' => 'Lamp'],
                ],
            ],
        );
        self::assertSame(['Router'], $answer->findings[0]->subjects);
    }

    #[Test]
    public function an_answer_takes_its_question_off_the_list_of_what_is_missing(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $questionnaire = new Questionnaire($kind->value);
            $answers = [];
            $before = count($questionnaire->missing($answers));
            self::assertGreaterThan(3, $before, $kind->value);
            foreach ($questionnaire->questions as $key => $question) {
                $answers[$key] = $question->isFigure() ? $question->min : (string) array_key_first($question->options);
                self::assertLessThanOrEqual($before, count($questionnaire->missing($answers)));
                $before = count($questionnaire->missing($answers));
            }
            self::assertSame(0, $before, $kind->value);
            self::assertSame([], $this->check($kind->value, $answers)->values['missing']);
        }
    }

    #[Test]
    public function gas_is_not_asked_after_where_diesel_burns(): void
    {
        $missing = static fn(string $fuel): array => array_column((new Questionnaire('K1'))->missing(['fuel' => $fuel]), 'key');
        self::assertContains('static_inwc', $missing('natural_gas'));
        self::assertNotContains('static_inwc', $missing('diesel'));
        self::assertContains('tank_gal', $missing('diesel'));
        self::assertNotContains('tank_gal', $missing('natural_gas'));
    }

    #[Test]
    public function what_a_kind_does_not_ask_is_refused_by_name(): void
    {
        try {
            $this->check('K1', ['cord_end' => 'good']);
            self::fail('a house has no shore cord');
        } catch (BadInput $e) {
            self::assertSame('/answers/cord_end', $e->path);
        }
    }

    /**
     * @param array<string, mixed> $answers
     * @param array<string, mixed> $more
     */
    private function check(string $kind, array $answers, array $more = []): CalculationResult
    {
        return (new SurveyCheck())->answer(Node::fromArray(['kind' => $kind, 'answers' => (object) $answers] + $more));
    }
}
