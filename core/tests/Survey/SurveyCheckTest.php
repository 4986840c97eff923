<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Survey;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Questionnaire;
use Escapement\Core\Survey\SurveyCheck;
use Escapement\Core\Wire\SurveyReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SurveyCheckTest extends TestCase
{
    private const PLATES = ['plate_switch', 'plate_generator', 'plate_service', 'plate_panel'];

    /**
     * @param array<string, mixed> $answers
     * @param list<string>         $ids     of the findings, besides the one for the missing picture
     */
    #[Test, DataProvider('answers')]
    public function an_answer_says_what_it_means_for_the_work(string $kind, array $answers, array $ids): void
    {
        $found = array_map(static fn($finding): string => $finding->id, $this->check(
            $kind,
            $answers,
            ['before_photos' => 1, 'shown' => self::PLATES],
        )->findings);
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
        yield 'a listing that allows less' => ['K1', ['opening_m' => 1.0, 'opening_least_m' => 0.9], ['opening-distance-short']];
        yield 'too near for its own instructions' => ['K1', ['opening_m' => 2.0, 'opening_least_m' => 3.0], ['too-close-to-opening']];
        yield 'a portable near a window' => ['K4', ['opening_m' => 5.9], ['too-close-to-opening']];
        yield 'a portable at twenty feet' => ['K4', ['opening_m' => 6.0, 'exhaust_away' => 'yes'], []];
        yield 'a portable that blows at a window' => ['K6', ['opening_m' => 9, 'exhaust_away' => 'no'], ['exhaust-toward-opening']];
        yield 'alarms downstairs only' => ['K2', ['co_alarms' => 'yes', 'co_places' => 'some'], ['co-alarms-not-everywhere']];
        yield 'where they stand is moot while there are none' => ['K2', ['co_alarms' => 'no', 'co_places' => 'some'], ['no-co-alarm']];
        yield 'a set against the siding' => ['K1', ['wall_m' => 0.5], ['too-close-to-combustible-wall']];
        yield 'a set five feet from it' => ['K1', ['wall_m' => 1.5], []];
        yield 'a set that stands nearer' => ['K1', ['wall_m' => 1.49], ['too-close-to-combustible-wall']];
        yield 'a set that is listed for it' => ['K1', ['wall_m' => 0.5, 'wall_listed' => 'yes'], []];
        yield 'beside the gas meter, in the drift' => [
            'K8',
            ['vents_clear' => 'no', 'snow' => 'yes', 'flood' => 'yes'],
            ['gas-vents-near', 'snow-closes-openings', 'water-reaches-generator'],
        ];
        yield 'breakers that had tripped' => [
            'K9',
            ['generator_breaker_found' => 'tripped', 'main_found' => 'tripped'],
            ['breaker-tripped-as-found'],
        ];
        yield 'a sag that the regulator makes good' => ['K1', ['static_inwc' => 7, 'loaded_inwc' => 5.5, 'fuel' => 'natural_gas'], []];
        yield 'more is not' => ['K1', ['static_inwc' => 7, 'loaded_inwc' => 5.4, 'fuel' => 'natural_gas'], ['pressure-sag']];
        yield 'gas of a tank, too weak under load' => [
            'K1',
            ['static_inwc' => 11, 'loaded_inwc' => 9.9, 'fuel' => 'lp'],
            ['pressure-low'],
        ];
        yield 'the instructions go before the usual limits' => [
            'K1',
            ['static_inwc' => 11, 'loaded_inwc' => 9.9, 'fuel' => 'lp', 'least_inwc' => 8, 'most_inwc' => 10.9],
            ['pressure-high'],
        ];
        yield 'measured at rest alone' => ['K1', ['static_inwc' => 6, 'fuel' => 'natural_gas'], ['loaded-not-measured']];
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
                'shown' => self::PLATES,
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
                $left = array_map(static fn($one): string => $one->key, $questionnaire->missing($answers));
                self::assertNotContains($key, $left);
            }
            self::assertSame([], $left ?? [], $kind->value);
            self::assertSame([], $this->check($kind->value, $answers)->values['missing']);
        }
    }

    #[Test]
    public function a_nameplate_without_a_picture_is_named(): void
    {
        $which = fn(string $kind, array $shown): string => $this->check($kind, [], ['before_photos' => 1, 'shown' => $shown])
            ->findings[0]->message ?? '';
        self::assertStringContainsString('label of the panel', $which('K1', ['plate_switch', 'plate_generator', 'plate_service']));
        self::assertStringNotContainsString('transfer switch', $which('K1', ['plate_switch']));
        self::assertSame('', $which('K7', ['plate_switch', 'plate_service', 'plate_panel']), 'two supplies have no generator');
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
        $input = Node::fromArray(['kind' => $kind, 'answers' => (object) $answers] + $more);

        return (new SurveyCheck())->answer((new SurveyReader())->input($input));
    }
}
