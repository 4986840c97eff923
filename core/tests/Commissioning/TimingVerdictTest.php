<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Commissioning\TimingVerdictResult;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\ReturnDelayMethod;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What the stopwatch says about the sheet; the house of the short school: return 60 s, cool-down 2 min, minimum run 5 min. */
final class TimingVerdictTest extends TestCase
{
    use TestTrait;

    private const GOOD = [
        'utility_off' => 0,
        'start_signal' => 5500,
        'engine_running' => 10_800,
        'transferred' => 20_900,
        'utility_on' => 400_000,
        'retransferred' => 460_100,
        'engine_stopped' => 580_100,
    ];

    #[Test]
    public function a_run_by_the_sheet_passes_without_a_word(): void
    {
        $result = $this->judge(self::GOOD);
        self::assertSame(['pass', []], [$result->verdict, $result->findings]);
    }

    /**
     * @param array<string, ?int> $change marks moved, or taken away by null
     * @param list<string>        $diagnoses
     */
    #[Test, DataProvider('faults')]
    public function a_fault_is_diagnosed(string $verdict, array $diagnoses, array $change): void
    {
        $result = $this->judge(array_filter($change + self::GOOD, static fn(?int $ms): bool => $ms !== null));
        self::assertSame($verdict, $result->verdict);
        $ids = array_column($result->findings, 'id');
        sort($diagnoses);
        sort($ids);
        self::assertSame($diagnoses, $ids);
    }

    /** @return iterable<string, array{string, list<string>, array<string, ?int>}> */
    public static function faults(): iterable
    {
        yield 'the start signal early by the edge still passes' => ['pass', [], ['start_signal' => 4000]];
        yield 'the start signal early' => ['fail', ['start-early'], ['start_signal' => 3999]];
        yield 'the start signal late, and the transfer with it' => [
            'fail',
            ['start-late', 'transfer-late-upstream'],
            ['start_signal' => 7001, 'engine_running' => 13_000, 'transferred' => 62_446],
        ];
        yield 'the start signal not marked is no fault' => ['pass', [], ['start_signal' => null]];
        yield 'the engine was running already' => ['fail', ['running-early'], ['engine_running' => 8000]];
        yield 'the engine came after the last crank' => ['fail', ['running-late'], ['engine_running' => 52_400]];
        yield 'the engine late and the transfer with it' => [
            'fail',
            ['running-late', 'transfer-late-upstream'],
            ['engine_running' => 52_400, 'transferred' => 62_500],
        ];
        yield 'warm-up too short' => ['fail', ['transfer-early'], ['transferred' => 19_354]];
        yield 'warm-up too long' => ['fail', ['transfer-late-warm-up'], ['transferred' => 62_446]];
        yield 'the load went back early' => ['fail', ['return-early'], ['retransferred' => 456_000, 'engine_stopped' => 576_000]];
        yield 'the load went back late' => ['fail', ['return-late'], ['retransferred' => 464_000, 'engine_stopped' => 584_000]];
        yield 'cool-down too short' => ['fail', ['stop-early'], ['engine_stopped' => 573_500]];
        yield 'cool-down too long' => ['fail', ['stop-late'], ['engine_stopped' => 772_000]];
        yield 'no engine at all' => [
            'fail',
            ['engine-not-running', 'run-unfinished'],
            ['engine_running' => null, 'transferred' => null, 'utility_on' => null, 'retransferred' => null, 'engine_stopped' => null],
        ];
        yield 'the switch stuck' => [
            'fail',
            ['not-transferred', 'run-unfinished'],
            ['transferred' => null, 'utility_on' => null, 'retransferred' => null, 'engine_stopped' => null],
        ];
        yield 'the load did not go back' => [
            'fail',
            ['not-returned', 'run-unfinished'],
            ['retransferred' => null, 'engine_stopped' => null],
        ];
        yield 'the engine went on' => ['fail', ['engine-not-stopped'], ['engine_stopped' => null]];
        yield 'a forgotten mark in the middle' => ['incomplete', ['mark-missing'], ['transferred' => null]];
        yield 'the utility mark forgotten' => ['incomplete', ['mark-missing'], ['utility_on' => null]];
    }

    #[Test]
    public function nothing_marked_is_incomplete_and_says_nothing(): void
    {
        $result = $this->judge([]);
        self::assertSame(['incomplete', [], []], [$result->verdict, $result->runs, $result->findings]);
    }

    /** @param array<string, int> $bait */
    #[Test, DataProvider('baits')]
    public function the_bait_is_fair_only_while_the_loss_is_noticed_within_the_return_delay(
        string $verdict,
        string $overall,
        array $bait,
    ): void {
        $result = $this->judge($bait + self::GOOD);
        self::assertSame([$verdict], array_column($result->runs[0]->baits, 'verdict'));
        self::assertSame($overall, $result->verdict);
    }

    /** @return iterable<string, array{string, string, array<string, int>}> */
    public static function baits(): iterable
    {
        yield 'ten seconds' => ['pass', 'pass', ['bait_on' => 100_000, 'bait_off' => 110_000]];
        yield 'to the edge: 59.5 s and half a second until it is noticed' => [
            'pass',
            'pass',
            ['bait_on' => 100_000, 'bait_off' => 159_500],
        ];
        yield 'a millisecond over' => ['void', 'incomplete', ['bait_on' => 100_000, 'bait_off' => 159_501]];
        yield 'its end not marked' => ['void', 'incomplete', ['bait_on' => 100_000]];
        yield 'its end before it' => ['void', 'incomplete', ['bait_off' => 90_000, 'bait_on' => 100_000]];
    }

    #[Test]
    public function a_retransfer_far_too_soon_is_a_failure_even_in_a_bait_that_lasted_too_long(): void
    {
        $marks = [
            ...$this->marks(self::GOOD),
            ...$this->marks(['bait_on' => 100_000, 'retransferred' => 130_000, 'bait_off' => 190_000, 'transferred' => 200_000]),
        ];
        $result = $this->verdict()->judge($marks);
        self::assertSame('fail', $result->runs[0]->baits[0]->verdict);
        self::assertContains('took-the-bait', array_column($result->findings, 'id'));
    }

    #[Test]
    public function two_outages_are_two_runs_and_a_finding_names_the_run(): void
    {
        $second = array_map(static fn(int $ms): int => $ms + 1_000_000, self::GOOD);
        unset($second['engine_stopped']);
        $result = $this->verdict()->judge([...$this->marks(self::GOOD), ...$this->marks($second)]);
        self::assertCount(2, $result->runs);
        self::assertSame('engine-not-stopped', $result->findings[0]->id);
        self::assertSame([1], $result->findings[0]->subjects);
    }

    #[Test]
    public function the_order_in_which_marks_arrive_never_matters(): void
    {
        $this->limitTo(60)->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $marks = $this->marks(self::GOOD + ['bait_on' => 100_000, 'bait_off' => 110_000]);
            $shuffled = (new Randomizer(new Mt19937($seed)))->shuffleArray($marks);
            self::assertEquals($this->verdict()->judge($marks)->toArray(), $this->verdict()->judge(array_values($shuffled))->toArray());
        });
    }

    #[Test]
    public function a_larger_reaction_never_turns_a_pass_into_a_fault(): void
    {
        $this->limitTo(100)->forAll(
            Generators::choose(-3000, 3000),
            Generators::choose(0, 3000),
            Generators::choose(0, 3000),
        )->then(function (int $off, int $small, int $more): void {
            $marks = $this->marks(['start_signal' => 5500 + $off] + self::GOOD);
            $with = fn(int $reaction): string => (string) $this->verdict($reaction)
                ->judge($marks)
                ->runs[0]
                ->interval('start_signal')
                ?->verdict
                ->value;
            if ($with($small) === 'pass') {
                self::assertSame('pass', $with($small + $more));
            } else {
                self::assertGreaterThan(1000 + $small, abs($off));
            }
        });
    }

    private function verdict(int $reactionMs = 500): TimingVerdict
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse, ReturnDelayMethod::Short);

        return new TimingVerdict($template->plant(), $template->settings(), $reactionMs);
    }

    /** @param array<string, int> $marks */
    private function judge(array $marks): TimingVerdictResult
    {
        return $this->verdict()->judge($this->marks($marks));
    }

    /**
     * @param array<string, int> $times
     *
     * @return list<Mark>
     */
    private function marks(array $times): array
    {
        return array_map(static fn(string $event, int $atMs): Mark => new Mark(MarkEvent::from($event), $atMs), array_keys($times), $times);
    }
}
