<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\IntervalVerdict;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\TestMethod;
use Escapement\Core\Commissioning\TimedRun;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whatever a thumb marks, outages and tests by the button in any order, on any kind: what holds of the verdict all the same. */
final class RunVerdictPropertyTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function each_beginning_makes_one_run_and_what_comes_before_the_first_one_more(): void
    {
        $this->drawn(function (TimingVerdict $verdict, array $marks, Plant $plant): void {
            $counting = array_values(array_filter($marks, static fn(Mark $mark): bool => $mark->event->countsOn($plant->kind)));
            $openers = array_filter($counting, static fn(Mark $mark): bool => self::opens($verdict, $mark));
            $isLate = $counting !== [] && ! self::opens($verdict, $counting[0]);
            self::assertCount(count($openers) + ($isLate ? 1 : 0), $verdict->judge($marks)->runs);
        });
    }

    #[Test]
    public function a_run_is_judged_by_its_own_marks_only(): void
    {
        $this->drawn(function (TimingVerdict $verdict, array $marks, Plant $plant): void {
            $runs = [];
            foreach ($marks as $mark) {
                if (! $mark->event->countsOn($plant->kind)) {
                    continue;
                }
                if ($runs === [] || self::opens($verdict, $mark)) {
                    $runs[] = [];
                }
                $runs[count($runs) - 1][] = $mark;
            }
            $alone = array_map(static fn(array $run): TimedRun => $verdict->judge($run)->runs[0], $runs);
            self::assertEquals($alone, $verdict->judge($marks)->runs);
        });
    }

    private static function opens(TimingVerdict $verdict, Mark $mark): bool
    {
        return in_array($mark->event, array_map(static fn(TestMethod $method): MarkEvent => $method->opens(), $verdict->methods), true);
    }

    #[Test]
    public function it_does_not_matter_when_the_watch_was_started(): void
    {
        $this->drawn(function (TimingVerdict $verdict, array $marks, Plant $plant, Randomizer $dice): void {
            $by = $dice->getInt(1, 10_000_000);
            $later = array_map(
                static fn(Mark $mark): Mark => new Mark($mark->event, $mark->atMs + $by, $mark->id, $mark->isUndone),
                $marks,
            );
            $told = static fn(TimedRun $run): array => array_map(
                static fn(Interval $interval): array => $interval->toArray(),
                $run->intervals,
            );
            self::assertSame(array_map($told, $verdict->judge($marks)->runs), array_map($told, $verdict->judge($later)->runs));
            self::assertSame($verdict->judge($marks)->verdict, $verdict->judge($later)->verdict);
        });
    }

    #[Test]
    public function a_mark_that_is_struck_out_and_one_that_is_sent_again_change_nothing(): void
    {
        $this->drawn(function (TimingVerdict $verdict, array $marks, Plant $plant, Randomizer $dice): void {
            $told = $verdict->judge($marks)->toArray();
            $events = MarkEvent::cases();
            $struck = new Mark($events[$dice->getInt(0, count($events) - 1)], $dice->getInt(0, 900_000), 'struck', true);
            self::assertEquals($told, $verdict->judge([...$marks, $struck])->toArray());
            self::assertEquals($told, $verdict->judge([...$marks, ...$marks])->toArray(), 'their ids are known');
        });
    }

    #[Test]
    public function a_pass_has_an_outage_and_nothing_early_late_or_missing_and_a_finding_names_runs_that_are_there(): void
    {
        $this->drawn(function (TimingVerdict $verdict, array $marks): void {
            $result = $verdict->judge($marks);
            $outages = array_filter($result->runs, static fn(TimedRun $run): bool => ! $run->isByButton);
            $worst = [];
            foreach ($result->runs as $run) {
                foreach ($run->intervals as $interval) {
                    $worst[] = $interval->event === 'start_signal'
                        && $interval->verdict === IntervalVerdict::Missing ? 'pass' : $interval->verdict->value;
                    self::assertSame($interval->measuredMs === null, $interval->verdict === IntervalVerdict::Missing);
                }
                self::assertTrue(! $run->isByButton || $run->baits === [], 'a test is no bait');
            }
            if ($result->verdict === 'pass') {
                self::assertNotSame([], $outages);
                self::assertSame([], array_diff($worst, ['pass']));
            }
            if (array_intersect(['early', 'late'], $worst) !== []) {
                self::assertSame('fail', $result->verdict);
            }
            foreach ($result->findings as $finding) {
                self::assertSame([], array_diff($finding->subjects, array_keys($result->runs)), $finding->id);
            }
            self::assertSame($outages === [] && $result->runs !== [], in_array('button-only', array_column($result->findings, 'id'), true));
        });
    }

    /** @param \Closure(TimingVerdict, list<Mark>, Plant, Randomizer): void $claim on drawn marks in the order of their times */
    private function drawn(\Closure $claim): void
    {
        $this->limitTo(80)->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed) use ($claim): void {
            $dice = new Randomizer(new Mt19937($seed));
            $kinds = InstallationKind::cases();
            $template = new SheetTemplate($kinds[$dice->getInt(0, count($kinds) - 1)]);
            $events = MarkEvent::cases();
            $marks = [];
            $atMs = 0;
            for ($i = $dice->getInt(0, 30); $i > 0; $i--) {
                $atMs += $dice->getInt(1, 40_000); // no two at once: then the order of the list is that of the times
                $marks[] = new Mark($events[$dice->getInt(0, count($events) - 1)], $atMs, "m-$i");
            }
            $claim(new TimingVerdict($template->plant(), $template->settings()), $marks, $template->plant(), $dice);
        });
    }
}
