<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Survey;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Finding\Finding;
use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Survey\Question;
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

    /** @param array<string, mixed> $answers */
    #[Test, DataProvider('said')]
    public function a_finding_says_what_was_answered_with_its_figures(string $kind, array $answers, string $message, string $severity): void
    {
        $found = $this->check($kind, $answers, ['before_photos' => 1, 'shown' => self::PLATES])->findings;
        self::assertSame([$message], array_map(static fn(Finding $one): string => rtrim($one->message, '.'), $found));
        self::assertSame($severity, $found[0]->severity->value);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function said(): iterable
    {
        yield 'no alarm' => ['K1', ['co_alarms' => 'no'], 'There is no carbon monoxide alarm inside', 'stop'];
        yield 'alarms not tested' => ['K1', ['co_alarms' => 'old'], 'The carbon monoxide alarms are not tested', 'warn'];
        yield 'an opening, in both units' => [
            'K1', ['opening_m' => 1.2], 'The exhaust is 1.2 m (3.9 ft) from an opening, 1.5 m (4.9 ft) are required', 'stop',
        ];
        yield 'a wall, in both units' => [
            'K1', ['wall_m' => 0.3048], 'The generator is 0.3 m (1.0 ft) from a combustible wall, 1.5 m (4.9 ft) are required', 'stop',
        ];
        yield 'a short distance of its instructions' => [
            'K1', ['opening_m' => 2.0, 'opening_least_m' => 0.6096],
            'The least distance typed, 0.6 m (2.0 ft), is below the usual 1.5 m (4.9 ft)', 'warn',
        ];
        yield 'a cord end that has been hot' => ['K6', ['cord_end' => 'hot'], 'The cord end has been hot', 'stop'];
        yield 'a loose cord end' => ['K6', ['cord_end' => 'loose'], 'The cord end is loose', 'stop'];
        yield 'aluminum branches' => ['K2', ['branch_metal' => 'al'], 'The branch conductors are aluminum', 'warn'];
        yield 'brittle branches' => ['K2', ['branch_metal' => 'brittle'], 'The branch conductors are brittle', 'warn'];
        yield 'both breakers' => [
            'K9', ['generator_breaker_found' => 'tripped', 'main_found' => 'tripped'],
            'A breaker was found tripped: the generator\'s and a main', 'warn',
        ];
        yield 'a main' => ['K9', ['main_found' => 'tripped'], 'A breaker was found tripped: a main', 'warn'];
    }

    #[Test]
    public function the_working_shows_the_margin_and_the_sag(): void
    {
        $lines = $this->check('K1', ['opening_m' => 2.0, 'static_inwc' => 7, 'loaded_inwc' => 6, 'fuel' => 'natural_gas'])->working;
        self::assertSame(
            [['2.00 m against 1.50 m for a permanent one', 0.5], ['7.0 − 6.0, at most 1.5', 1.0]],
            array_map(static fn(WorkingLine $one): array => [$one->expression, $one->value], $lines),
        );
        self::assertStringContainsString(
            'of its instructions',
            $this->check('K1', ['opening_m' => 2.0, 'opening_least_m' => 3.0])->working[0]->expression,
        );
        self::assertStringContainsString('for a portable one', $this->check('K4', ['opening_m' => 9.0])->working[0]->expression);
        self::assertCount(0, $this->check('K1', ['static_inwc' => 7, 'fuel' => 'natural_gas'])->working, 'nothing was loaded');
    }

    #[Test]
    public function pictures_are_missed_by_name_and_only_once_the_first_is_there(): void
    {
        $ids = fn(array $more): array => array_map(static fn(Finding $one): string => $one->id, $this->check('K1', [], $more)->findings);
        self::assertSame(['no-before-photo'], $ids([]));
        self::assertSame(['nameplate-not-pictured'], $ids(['before_photos' => 1]));
        self::assertSame(['nameplate-not-pictured'], $ids(['before_photos' => 2, 'shown' => array_slice(self::PLATES, 1)]));
        self::assertSame([], $ids(['before_photos' => 1, 'shown' => self::PLATES]));
    }

    #[Test]
    public function what_is_usual_is_read_as_its_option(): void
    {
        $all = (new Questionnaire('K1'))->questions;
        $usual = array_filter($all, static fn(Question $one): bool => $one->usual !== null);
        self::assertNotSame([], $usual);
        foreach ($all as $one) {
            self::assertSame($one->usual === null ? '' : ($one->options[$one->usual] ?? $one->usual), $one->usualWords(), $one->key);
            self::assertSame($one->usual !== null, $one->usualWords() !== '', $one->key);
        }
    }
}
