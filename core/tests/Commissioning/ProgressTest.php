<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\AnswerFault;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Escapement\Core\Commissioning\Procedure\Band;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepKind;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\Procedure\SubmittedAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\Repeats;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ProgressTest extends TestCase
{
    #[Test, DataProvider('answers')]
    public function an_answer_is_worth_what_its_step_says(Step $step, SubmittedAnswer $given, Verdict|string $worth): void
    {
        try {
            self::assertSame($worth, (new AnswerJudge())->judge($step, $given));
        } catch (AnswerFault $e) {
            self::assertSame($worth, $e->field, $e->getMessage());
        }
    }

    /** @return iterable<string, array{Step, SubmittedAnswer, Verdict|string}> */
    public static function answers(): iterable
    {
        $confirm = self::step('a', StepKind::Confirm);
        $hold = self::step('h', StepKind::Confirm, isHold: true);
        $volts = self::step('v', StepKind::Measure, band: new Band('Volts', 'V', 114, 126));
        $unbalance = self::step('u', StepKind::Measure, band: new Band('Unbalance', '%', null, 2, stopOver: 5));
        $choose = self::step('c', StepKind::Choose, choices: ['right' => 'right', 'wrong' => 'the other way']);
        $time = self::step('t', StepKind::Time);
        yield 'seen' => [$confirm, new SubmittedAnswer(isSo: true), Verdict::AsExpected];
        yield 'not seen, and why' => [$confirm, new SubmittedAnswer(isSo: false, note: 'It hums.'), Verdict::NotSo];
        yield 'not seen, and nothing said' => [$confirm, new SubmittedAnswer(isSo: false), 'note'];
        yield 'nothing at all' => [$confirm, new SubmittedAnswer(), 'so'];
        yield 'left out, and why' => [$confirm, new SubmittedAnswer(skipReason: 'No arrester here.'), Verdict::Skipped];
        yield 'left out for no reason' => [$confirm, new SubmittedAnswer(skipReason: ' '), 'skip_reason'];
        yield 'a hold point left out' => [$hold, new SubmittedAnswer(skipReason: 'In a hurry.'), 'skip_reason'];
        yield 'in the band' => [$volts, new SubmittedAnswer(value: 126), Verdict::AsExpected];
        yield 'beside it, noted' => [$volts, new SubmittedAnswer(value: 127, note: 'Regulator to be set.'), Verdict::Noted];
        yield 'beside it, nothing said' => [$volts, new SubmittedAnswer(value: 127), 'note'];
        yield 'no figure' => [$volts, new SubmittedAnswer(note: 'meter forgotten'), 'value'];
        yield 'no figure at all' => [$volts, new SubmittedAnswer(value: NAN), 'value'];
        yield 'beyond where work stops' => [$unbalance, new SubmittedAnswer(value: 6, note: 'One phase is low.'), Verdict::NotSo];
        yield 'the wanted choice' => [$choose, new SubmittedAnswer(choice: 'right'), Verdict::AsExpected];
        yield 'the other' => [$choose, new SubmittedAnswer(choice: 'wrong', note: 'Contact swapped.'), Verdict::NotSo];
        yield 'none of them' => [$choose, new SubmittedAnswer(choice: 'perhaps'), 'choice'];
        yield 'a time is not typed' => [$time, new SubmittedAnswer(value: 5), 'note'];
        yield 'a time beside its window, noted' => [$time, new SubmittedAnswer(note: 'Cold engine.'), Verdict::Noted];
    }

    #[Test]
    public function what_waits_for_a_hold_point_is_locked_until_it_is_as_expected(): void
    {
        $steps = [self::step('dead', StepKind::Confirm, isHold: true), self::step('touch', StepKind::Confirm, waits: ['dead'])];
        $state = static fn(Verdict ...$verdicts): string => (Progress::of(
            $steps,
            array_values(array_map(static fn(Verdict $one): JudgedAnswer => new JudgedAnswer('dead', 'so', $one), $verdicts)),
        ))->states['touch']->value;
        self::assertSame('locked', $state());
        self::assertSame('locked', $state(Verdict::NotSo));
        self::assertSame('locked', $state(Verdict::Noted), 'a note does not prove it dead');
        self::assertSame('open', $state(Verdict::NotSo, Verdict::AsExpected), 'the later answer counts');
        self::assertSame('locked', $state(Verdict::AsExpected, Verdict::NotSo));
    }

    #[Test]
    public function another_expectation_opens_the_step_again_and_locks_what_waits_for_it(): void
    {
        $steps = [
            self::step('volts', StepKind::Measure, isHold: true, expectation: '114 to 126 V', band: new Band('Volts', 'V', 114, 126)),
            self::step('after', StepKind::Confirm, waits: ['volts']),
        ];
        $progress = Progress::of($steps, [new JudgedAnswer('volts', '108 to 132 V', Verdict::AsExpected)]);
        self::assertSame([StepState::Reopened, StepState::Locked], array_values($progress->states));
        self::assertSame(['after' => ['volts']], $progress->waitsFor);
        self::assertStringContainsString('108 to 132 V', $progress->because['volts']);
        self::assertSame('volts', $progress->next());
        self::assertSame(0, $progress->closed());
    }

    #[Test]
    public function the_stopwatch_answers_its_steps(): void
    {
        $steps = [self::step('time', StepKind::Time)];
        $state = static fn(array $answers, array $timed): string => Progress::of($steps, $answers, $timed)->states['time']->value;
        self::assertSame('open', $state([], []));
        self::assertSame('done', $state([], ['time' => Verdict::AsExpected]));
        self::assertSame('not_so', $state([], ['time' => Verdict::NotSo]));
        self::assertSame('noted', $state([new JudgedAnswer('time', 'so', Verdict::Noted)], ['time' => Verdict::NotSo]));
        self::assertSame(
            'done',
            $state([new JudgedAnswer('time', 'so', Verdict::Noted)], ['time' => Verdict::AsExpected]),
            'timed again, inside its window',
        );
    }

    #[Test]
    public function each_kind_can_be_worked_through_from_its_first_step_to_its_last_by_what_comes_next(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $template = new SheetTemplate($kind);
            $steps = (new Procedure($kind->value, $template->plant(), $template->settings()))->steps();
            $byId = array_column(array_map(static fn(Step $step): array => [$step->id, $step], $steps), 1, 0);
            $answers = [];
            while (($next = Progress::of($steps, $answers)->next()) !== null) {
                $answers[] = new JudgedAnswer($next, $byId[$next]->expectation, Verdict::AsExpected);
                self::assertLessThanOrEqual(count($steps), count($answers), 'nothing is asked twice');
            }
            self::assertCount(count($steps), $answers, $kind->value);
            self::assertSame(
                array_keys($byId),
                array_map(static fn(JudgedAnswer $answer): string => $answer->step, $answers),
                'in the order of the list',
            );
        }
    }

    #[Test]
    public function a_run_is_worth_its_worst_step(): void
    {
        $steps = [self::step('a', StepKind::Confirm), self::step('b', StepKind::Confirm)];
        $worth = static fn(array $answers, Step ...$more): string => (Progress::of(
            [...$steps, ...array_values($more)],
            array_map(static fn(array $one): JudgedAnswer => new JudgedAnswer($one[0], 'so', $one[1]), $answers),
        ))->verdict();
        self::assertSame('incomplete', $worth([['a', Verdict::AsExpected]]));
        self::assertSame(
            'pass',
            $worth(
                [['a', Verdict::AsExpected], ['b', Verdict::AsExpected]],
                self::step((string) array_key_first(Progress::SIGNED), StepKind::Sign),
            ),
            'the signing itself closes the last one',
        );
        self::assertSame('pass', $worth([['a', Verdict::Skipped], ['b', Verdict::Noted]]));
        self::assertSame('fail', $worth([['a', Verdict::NotSo]]));
        self::assertSame('fail', $worth([['a', Verdict::NotSo], ['b', Verdict::AsExpected]]));
    }

    /** @param list<int> $measured */
    #[Test, DataProvider('repeats')]
    public function repeats_have_a_usual_value_and_a_spread(array $measured, ?int $median, ?int $spread): void
    {
        $repeats = new Repeats($measured);
        self::assertSame([count($measured), $median, $spread], [$repeats->count, $repeats->medianMs, $repeats->spreadMs]);
    }

    /** @return iterable<string, array{list<int>, ?int, ?int}> */
    public static function repeats(): iterable
    {
        yield 'none' => [[], null, null];
        yield 'one' => [[21_000], 21_000, 0];
        yield 'three' => [[22_000, 20_500, 21_000], 21_000, 1500];
        yield 'four: the earlier of the middle' => [[4, 1, 3, 2], 2, 3];
    }

    /**
     * @param list<string>          $waits
     * @param array<string, string> $choices
     */
    private static function step(
        string $id,
        StepKind $kind,
        bool $isHold = false,
        array $waits = [],
        ?Band $band = null,
        array $choices = [],
        string $expectation = 'so',
    ): Step {
        $expected = $band === null ? 'v1' : 'band ' . $band->asked();

        return new Step(
            $id,
            $kind,
            $id,
            'because',
            $expectation,
            $expected,
            'stop',
            null,
            $isHold,
            ! $isHold,
            $waits,
            $band,
            null,
            'meter',
            $choices,
        );
    }
}
