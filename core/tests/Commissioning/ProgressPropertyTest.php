<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\Procedure\TimedSteps;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whatever is answered, in whatever order, by whomever: what holds of a procedure all the same. */
final class ProgressPropertyTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function nothing_opens_behind_a_hold_point_that_is_not_as_expected(): void
    {
        $this->drawn(function (array $steps, array $answers): void {
            $progress = Progress::of($steps, $answers);
            foreach ($steps as $step) {
                foreach ($step->dependsOn as $id) {
                    if (! $progress->states[$id]->isClosed()) {
                        self::assertNotSame(StepState::Open, $progress->states[$step->id], "$step->id waits for $id");
                    }
                }
                if ($progress->states[$step->id] === StepState::Locked) {
                    self::assertNotSame([], $progress->waitsFor[$step->id]);
                    self::assertSame(
                        [],
                        array_filter($progress->waitsFor[$step->id], static fn(string $id): bool => $progress->states[$id]->isClosed()),
                        'it says for what it waits',
                    );
                }
            }
        });
    }

    #[Test]
    public function what_comes_next_can_be_done_and_is_the_first_that_can(): void
    {
        $this->drawn(function (array $steps, array $answers): void {
            $progress = Progress::of($steps, $answers);
            $next = $progress->next();
            $open = array_keys(array_filter(
                $progress->states,
                static fn(StepState $state): bool => ! $state->isClosed() && $state !== StepState::Locked,
            ));
            self::assertSame($open[0] ?? null, $next);
            self::assertSame($next === null, $progress->closed() === count($steps), 'nothing is next only when all is closed');
        });
    }

    #[Test]
    public function a_run_passes_only_when_all_is_closed_and_fails_only_for_what_is_not_so(): void
    {
        $this->drawn(function (array $steps, array $answers): void {
            $progress = Progress::of($steps, $answers);
            $states = array_diff_key($progress->states, Progress::SIGNED);
            $closed = count(array_filter($states, static fn(StepState $state): bool => $state->isClosed()));
            self::assertSame(match (true) {
                in_array(StepState::NotSo, $states, true) => 'fail',
                $closed < count($states) => 'incomplete',
                default => 'pass',
            }, $progress->verdict());
        });
    }

    #[Test]
    public function answers_to_different_steps_may_arrive_in_any_order_and_twice(): void
    {
        $this->drawn(function (array $steps, array $answers, Randomizer $dice): void {
            $last = [];
            foreach ($answers as $answer) {
                $last[$answer->step] = $answer;
            }
            $told = Progress::of($steps, $answers);
            $once = array_values($last);
            self::assertEquals($told, Progress::of($steps, array_values($dice->shuffleArray($once))), 'only the last of each step counts');
            self::assertEquals($told, Progress::of($steps, [...$answers, ...$once]), 'sent twice is sent once');
        });
    }

    #[Test]
    public function one_more_good_answer_never_closes_what_was_open_elsewhere_nor_opens_what_was_closed(): void
    {
        $this->drawn(function (array $steps, array $answers, Randomizer $dice): void {
            $before = Progress::of($steps, $answers);
            $step = $steps[$dice->getInt(0, count($steps) - 1)];
            $after = Progress::of($steps, [...$answers, new JudgedAnswer($step->id, $step->expectation, Verdict::AsExpected)]);
            self::assertTrue($after->states[$step->id]->isClosed());
            foreach (array_diff_key($before->states, [$step->id => true]) as $id => $state) {
                self::assertSame($state->isClosed(), $after->states[$id]->isClosed(), (string) $id);
            }
        });
    }

    #[Test]
    public function what_was_answered_to_other_words_is_open_again_and_says_both(): void
    {
        $this->drawn(function (array $steps, array $answers, Randomizer $dice): void {
            $step = $steps[$dice->getInt(0, count($steps) - 1)];
            $progress = Progress::of($steps, [...$answers, new JudgedAnswer($step->id, 'Something else.', Verdict::AsExpected, 'v0')]);
            self::assertSame(StepState::Reopened, $progress->states[$step->id]);
            self::assertStringContainsString('Something else.', $progress->because[$step->id]);
            self::assertStringContainsString($step->expectation, $progress->because[$step->id]);
        });
    }

    #[Test]
    public function the_stopwatch_answers_only_steps_that_have_a_window_and_the_latest_time_counts(): void
    {
        $this->limitTo(40)->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Randomizer(new Mt19937($seed));
            $template = new SheetTemplate(InstallationKind::WholeHouse);
            $steps = $this->steps(InstallationKind::WholeHouse);
            $verdict = new TimingVerdict($template->plant(), $template->settings());
            $marks = [];
            for ($i = 0; $i < 24; $i++) {
                $events = MarkEvent::cases();
                $marks[] = new Mark($events[$dice->getInt(0, count($events) - 1)], $dice->getInt(0, 900_000));
            }
            $runs = $verdict->judge($marks)->runs;
            $byId = array_combine(array_column($steps, 'id'), $steps);
            $said = TimedSteps::verdicts($steps, $runs);
            foreach ($said as $id => $worth) {
                self::assertNotNull($byId[$id]->window);
                self::assertContains($worth, [Verdict::AsExpected, Verdict::NotSo]);
            }
            foreach ($steps as $step) {
                $times = TimedSteps::measuredMs($step, $runs);
                self::assertSame($times !== [], isset($said[$step->id]) && $step->window?->event !== 'bait', $step->id);
                if ($times !== []) {
                    $latest = array_values(array_filter(array_map(
                        static fn(TimedRun $run): ?string => self::verdictOf($run, $step),
                        $runs,
                    )));
                    self::assertSame(end($latest) === 'pass' ? Verdict::AsExpected : Verdict::NotSo, $said[$step->id]);
                }
            }
        });
    }

    private static function verdictOf(TimedRun $run, Step $step): ?string
    {
        foreach ($run->intervals as $interval) {
            if ($run->nameOf($interval) === $step->window?->event && $interval->measuredMs !== null) {
                return $interval->verdict->value;
            }
        }

        return null;
    }

    /** @param \Closure(list<Step>, list<JudgedAnswer>, Randomizer): void $claim on the steps of a drawn kind with drawn answers */
    private function drawn(\Closure $claim): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed) use ($claim): void {
            $dice = new Randomizer(new Mt19937($seed));
            $kinds = InstallationKind::cases();
            $steps = $this->steps($kinds[$dice->getInt(0, count($kinds) - 1)]);
            $answers = [];
            // Most are as expected, so that a procedure is also drawn near its end.
            $luck = $dice->getInt(50, 100);
            foreach ($dice->getInt(0, 1) === 0 ? $steps : $dice->shuffleArray($steps) as $step) {
                if ($dice->getInt(1, 100) <= $luck) {
                    $answers[] = new JudgedAnswer(
                        $step->id,
                        $step->expectation,
                        $dice->getInt(1, 100) <= $luck ? Verdict::AsExpected : Verdict::cases()[$dice->getInt(0, 3)],
                    );
                }
            }
            $claim($steps, $answers, $dice);
        });
    }

    /** @return list<Step> */
    private function steps(InstallationKind $kind): array
    {
        static $made = [];
        $template = new SheetTemplate($kind);

        return $made[$kind->value] ??= (new Procedure(
            $kind->value,
            $template->plant(),
            $template->settings(),
            new ProcedureOptions(hasManual: true, hasLoadBank: true, burnsGas: true, mustRun: ['Alarm'], hasTestButton: true),
        ))->steps();
    }
}
