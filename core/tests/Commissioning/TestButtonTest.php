<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Template\ReturnDelayMethod;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A test by the controller's button, timed like an outage; the house of the short school: return 60 s, cool-down 2 min,
 * minimum run 5 min.
 */
final class TestButtonTest extends TestCase
{
    use TestTrait;

    private const OUTAGE = [
        'utility_off' => 0,
        'start_signal' => 5500,
        'engine_running' => 10_800,
        'transferred' => 20_900,
        'utility_on' => 400_000,
        'retransferred' => 460_100,
        'engine_stopped' => 580_100,
    ];
    private const TEST = [
        'test_on' => 0,
        'start_signal' => 300,
        'engine_running' => 5600,
        'transferred' => 15_700,
        'test_off' => 400_000,
        'retransferred' => 460_100,
        'engine_stopped' => 580_100,
    ];

    #[Test]
    public function what_a_test_should_take_is_played_on_the_same_engine_as_an_outage(): void
    {
        $seen = 0;
        foreach (InstallationKind::cases() as $kind) {
            foreach (ReturnDelayMethod::cases() as $school) {
                $template = new SheetTemplate($kind, $school);
                if ($template->plant()->kind !== PlantKind::Standby) {
                    continue;
                }
                $settings = $template->settings();
                $outage = new ExpectedTimes($template->plant(), $settings);
                $test = new ExpectedTimes($template->plant(), $settings, isByButton: true);
                $waitMs = $settings->normal->dropoutDelayMs + (int) $settings->startDelayMs;
                self::assertSame(
                    [0, 0, 1000],
                    [
                        $test->window('start_signal')?->minMs,
                        $test->window('start_signal')?->nominalMs,
                        $test->window('start_signal')?->maxMs,
                    ],
                );
                self::assertEquals($outage->window('engine_running'), $test->window('engine_running'));
                self::assertSame((int) $outage->window('transfer')?->nominalMs - $waitMs, $test->window('transfer')?->nominalMs);
                self::assertSame(['test_on', 'test_off'], [$test->window('transfer')->from, $test->window('return')?->from]);
                self::assertSame(
                    [0, $outage->window('return')?->maxMs],
                    [$test->window('return')->minMs, $test->window('return')->maxMs],
                    'a controller may end a test at once',
                );
                self::assertEquals($outage->window('engine_stop'), $test->window('engine_stop'));
                self::assertLessThan(
                    (int) $outage->window('dark_ms')?->nominalMs,
                    (int) $test->window('dark_ms')?->nominalMs,
                    'dark while it moves only',
                );
                self::assertNull($test->baitMs);
                $seen++;
            }
        }
        self::assertGreaterThan(10, $seen);
    }

    /**
     * @param array<string, ?int> $change marks moved, or taken away by null
     * @param list<string>        $diagnoses
     */
    #[Test, DataProvider('timed')]
    public function a_test_beside_a_good_outage_is_judged_by_its_own_windows(string $verdict, array $diagnoses, array $change): void
    {
        $result = $this->judge(self::OUTAGE, array_filter($change + self::TEST, static fn(?int $ms): bool => $ms !== null));
        self::assertSame([false, true], array_column($result->runs, 'isByButton'));
        $ids = array_column($result->findings, 'id');
        sort($ids);
        self::assertSame([$verdict, $diagnoses], [$result->verdict, $ids]);
        foreach ($result->findings as $finding) {
            self::assertSame([1], $finding->subjects, 'the fault is the test\'s');
        }
    }

    /** @return iterable<string, array{string, list<string>, array<string, ?int>}> */
    public static function timed(): iterable
    {
        yield 'as it should be' => ['pass', [], []];
        yield 'the start signal on the edge' => ['pass', [], ['start_signal' => 1500, 'engine_running' => 6800]];
        yield 'the start signal past the edge' => ['fail', ['test-start-late'], ['start_signal' => 1501, 'engine_running' => 6800]];
        yield 'no ear for the start signal' => ['pass', [], ['start_signal' => null]];
        yield 'a start delay in front of the test' => [
            'fail',
            ['test-start-late', 'transfer-late-upstream'],
            ['start_signal' => 60_000, 'engine_running' => 65_300, 'transferred' => 75_400],
        ];
        yield 'the load moved early' => ['fail', ['transfer-early'], ['transferred' => 13_000]];
        yield 'back at once, as many controllers do' => ['pass', [], ['retransferred' => 400_100, 'engine_stopped' => 520_100]];
        yield 'back later than the return delay' => ['fail', ['return-late'], ['retransferred' => 465_000, 'engine_stopped' => 585_000]];
        yield 'it cooled down too short' => ['fail', ['stop-early'], ['engine_stopped' => 480_000]];
        yield 'it went on' => ['fail', ['engine-not-stopped'], ['engine_stopped' => null]];
        yield 'it never came' => [
            'fail',
            ['engine-not-running', 'run-unfinished'],
            ['engine_running' => null, 'transferred' => null, 'test_off' => null, 'retransferred' => null, 'engine_stopped' => null],
        ];
        yield 'it never moved' => [
            'fail',
            ['not-transferred', 'run-unfinished'],
            ['transferred' => null, 'test_off' => null, 'retransferred' => null, 'engine_stopped' => null],
        ];
        yield 'the end of the test was not marked' => ['incomplete', ['mark-missing'], ['test_off' => null]];
    }

    #[Test]
    public function a_test_alone_is_never_a_pass_and_says_what_it_does_not_prove(): void
    {
        $result = $this->judge(self::TEST);
        self::assertSame(['incomplete', ['button-only']], [$result->verdict, array_column($result->findings, 'id')]);
        self::assertSame('fail', $this->judge(['engine_stopped' => 480_000] + self::TEST)->verdict);
    }

    #[Test]
    public function an_outage_in_the_middle_of_a_test_is_a_run_of_its_own(): void
    {
        $result = $this->judge(array_slice(self::TEST, 0, 4), self::OUTAGE);
        self::assertSame([true, false], array_column($result->runs, 'isByButton'));
        self::assertSame('incomplete', $result->verdict);
        self::assertSame(['run-unfinished'], array_column($result->findings, 'id'));
    }

    #[Test, DataProvider('plantsWithoutAController')]
    public function where_there_is_no_test_button_its_marks_do_not_count(InstallationKind $kind): void
    {
        $template = new SheetTemplate($kind);
        $verdict = new TimingVerdict($template->plant(), $template->settings());
        self::assertCount(1, $verdict->methods);
        self::assertSame([], $verdict->judge($this->marks(['test_on' => 0, 'test_off' => 5000]))->runs);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function plantsWithoutAController(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            if ((new SheetTemplate($kind))->plant()->kind !== PlantKind::Standby) {
                yield $kind->value => [$kind];
            }
        }
    }

    #[Test]
    public function the_order_in_which_marks_arrive_never_matters(): void
    {
        $marks = [...$this->marks(self::OUTAGE), ...$this->marks(self::TEST, 1_000_000)];
        $told = $this->verdict()->judge($marks)->toArray();
        $this->limitTo(40)->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed) use ($marks, $told): void {
            self::assertEquals(
                $told,
                $this->verdict()->judge(array_values((new Randomizer(new Mt19937($seed)))->shuffleArray($marks)))->toArray(),
            );
        });
    }

    #[Test]
    public function without_the_button_both_calculations_say_the_same_and_only_one_takes_its_marks(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse, ReturnDelayMethod::Short);
        $input = static fn(array $marks): Node => Node::fromArray([
            'system' => $template->plant()->toArray(), 'settings' => $template->settings()->toWire(),
            'marks' => array_map(
                static fn(string $event, int $at): array => ['event' => $event, 'at_ms' => $at],
                array_keys($marks),
                array_values($marks),
            ),
        ]);
        $calc = new Calculations();
        self::assertEquals($calc->calc('timing_verdict', $input(self::OUTAGE)), $calc->calc('run_verdict', $input(self::OUTAGE)));
        $test = $calc->calc('run_verdict', $input(self::TEST));
        self::assertIsArray($test['runs']);
        self::assertSame('button', $test['runs'][0]['by']);
        $this->expectExceptionObject(new BadInput('/marks/0/event', 'A mark of a test by the button belongs into run_verdict.'));
        $calc->calc('timing_verdict', $input(self::TEST));
    }

    #[Test]
    public function the_procedure_asks_for_it_only_where_it_is_chosen_and_with_its_own_windows(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse, ReturnDelayMethod::Short);
        $timed = static function (bool $hasButton) use ($template): array {
            $found = [];
            foreach ((new Procedure(
                'K1',
                $template->plant(),
                $template->settings(),
                new ProcedureOptions(hasTestButton: $hasButton),
            ))->steps() as $step) {
                if (str_starts_with($step->id, 'test_button/')) {
                    $found[$step->id] = $step->window?->toArray();
                }
            }

            return $found;
        };
        self::assertSame([], $timed(false));
        $steps = $timed(true);
        self::assertSame(
            [
                'test_button/press',
                'test_button/time-start-signal',
                'test_button/time-engine-running',
                'test_button/time-transfer',
                'test_button/end',
                'test_button/time-return',
                'test_button/time-engine-stop',
            ],
            array_keys($steps),
        );
        self::assertSame(
            ['event' => 'test_return', 'from' => 'test_off', 'min_ms' => 0, 'nominal_ms' => 60_100, 'max_ms' => 63_105],
            $steps['test_button/time-return'],
        );
        self::assertSame('test_on', $steps['test_button/time-transfer']['from'] ?? null);
    }

    private function verdict(): TimingVerdict
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse, ReturnDelayMethod::Short);

        return new TimingVerdict($template->plant(), $template->settings());
    }

    /** @param array<string, int> ...$runs each counted from its own beginning */
    private function judge(array ...$runs): TimingVerdictResult
    {
        $marks = [];
        foreach ($runs as $i => $run) {
            array_push($marks, ...$this->marks($run, 1_000_000 * (int) $i));
        }

        return $this->verdict()->judge($marks);
    }

    /**
     * @param array<string, int> $marks
     *
     * @return list<Mark>
     */
    private function marks(array $marks, int $fromMs = 0): array
    {
        return array_map(
            static fn(string $event, int $at): Mark => new Mark(MarkEvent::from($event), $fromMs + $at),
            array_keys($marks),
            array_values($marks),
        );
    }
}
