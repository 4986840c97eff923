<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Mark;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Commissioning\Procedure\BondPlaces;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\ProcedureOptions;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Commissioning\Proof\PartOutcome;
use Escapement\Core\Commissioning\Proof\ProofPart;
use Escapement\Core\Commissioning\Proof\RunPart;
use Escapement\Core\Commissioning\Proof\RunParts;
use Escapement\Core\Commissioning\TimingVerdict;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Tests\StandardPanels;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What one run says to the parts of a proof. */
final class RunPartsTest extends TestCase
{
    private const IN_TIME = [
        'utility_off' => 0, 'start_signal' => 5600, 'engine_running' => 11_300, 'transferred' => 21_200, 'bait_on' => 60_000,
        'bait_off' => 70_000, 'utility_on' => 180_000, 'retransferred' => 480_400, 'engine_stopped' => 606_900,
    ];

    #[Test]
    public function a_run_without_one_answer_proves_its_times_and_nothing_else(): void
    {
        $parts = self::parts(InstallationKind::WholeHouse, self::IN_TIME);
        self::assertSame(['sensing', 'times', 'bait'], self::names($parts->in(PartOutcome::Proved)));
        self::assertSame(
            ['dead_checks', 'sources', 'carries', 'start_circuit', 'left_ready', 'load_test'],
            self::names($parts->in(PartOutcome::Untouched)),
        );
        self::assertSame('pass', $parts->verdict());
    }

    #[Test]
    public function nothing_at_all_is_never_a_pass(): void
    {
        self::assertSame('incomplete', self::parts(InstallationKind::WholeHouse, [])->verdict());
    }

    #[Test]
    public function all_but_the_signature_of_the_owner_proves_everything(): void
    {
        $parts = self::parts(
            InstallationKind::WholeHouse,
            self::IN_TIME,
            static fn(Step $step): ?Verdict => $step->id === 'clean_up/sign-owner' ? null : Verdict::AsExpected,
        );
        self::assertSame(['load_test'], self::names($parts->in(PartOutcome::Untouched)));
        self::assertSame([], $parts->in(PartOutcome::Open, PartOutcome::Failed));
        self::assertSame('pass', $parts->verdict());
    }

    /** @param array<string, Verdict> $answers by step; the others as expected */
    #[Test, DataProvider('answers')]
    public function a_part_is_what_its_steps_are(
        InstallationKind $kind,
        array $answers,
        ProofPart $part,
        PartOutcome $outcome,
        bool $isNoted,
        string $says,
    ): void {
        $of = self::of(
            self::parts(
                $kind,
                [],
                static fn(Step $step): ?Verdict => array_key_exists($step->id, $answers) ? $answers[$step->id] : Verdict::AsExpected,
            ),
            $part,
        );
        self::assertSame([$outcome, $isNoted], [$of->outcome, $of->isNoted]);
        self::assertStringContainsString($says, implode(' ', $of->why));
    }

    /** @return iterable<string, array{InstallationKind, array<string, ?Verdict>, ProofPart, PartOutcome, bool, string}> */
    public static function answers(): iterable
    {
        $house = InstallationKind::WholeHouse;
        $panel = InstallationKind::ContactorGenerator;
        yield 'a bond that is not so' => [
            $house, ['dead_checks/bond-one' => Verdict::NotSo], ProofPart::DeadChecks, PartOutcome::Failed, false,
            'bar to bar: is not as it should be.',
        ];
        yield 'a hold point not reached' => [
            $house, ['dead_checks/bond-one' => null], ProofPart::DeadChecks, PartOutcome::Open, false, 'is open.',
        ];
        yield 'a voltage beside its band, with a note' => [
            $house, ['energise/utility-volts-L1' => Verdict::Noted], ProofPart::Sources, PartOutcome::Proved, true, '',
        ];
        yield 'a step left out' => [
            $house, ['on_load_checks/amps-L1' => Verdict::Skipped], ProofPart::Carries, PartOutcome::Open, false, 'left out',
        ];
        yield 'phase order reversed' => [
            $panel, ['no_load_run/generator-rotation' => Verdict::NotSo], ProofPart::Rotation, PartOutcome::Failed, false, 'phase order',
        ];
        yield 'a phase that was not pulled' => [
            $panel, ['simulated_outage/phase-loss-second-L3' => null], ProofPart::Sensing, PartOutcome::Open, false, '',
        ];
        yield 'the wrong start contact' => [
            $house, ['inspect/start-contact' => Verdict::NotSo], ProofPart::StartCircuit, PartOutcome::Failed, false, 'start contact',
        ];
        yield 'a selector left off' => [
            $house, ['clean_up/left-in-automatic' => Verdict::NotSo], ProofPart::LeftReady, PartOutcome::Failed, false, '',
        ];
    }

    /** @param array<string, int> $marks */
    #[Test, DataProvider('times')]
    public function times_sensing_and_bait_are_what_the_stopwatch_says(
        InstallationKind $kind,
        array $marks,
        ProofPart $part,
        PartOutcome $outcome,
        string $says,
    ): void {
        $of = self::of(self::parts($kind, $marks), $part);
        self::assertSame($outcome, $of->outcome, implode(' ', $of->why));
        self::assertStringContainsString($says, implode(' ', $of->why));
    }

    /** @return iterable<string, array{InstallationKind, array<string, int>, ProofPart, PartOutcome, string}> */
    public static function times(): iterable
    {
        $house = InstallationKind::WholeHouse;
        $without = static fn(string ...$events): array => array_diff_key(self::IN_TIME, array_flip($events));
        yield 'a late transfer' => [
            $house, ['transferred' => 90_000] + self::IN_TIME, ProofPart::Times, PartOutcome::Failed, 'Transfer came late.',
        ];
        yield 'but the outage was noticed' => [
            $house, ['transferred' => 58_000] + self::IN_TIME, ProofPart::Sensing, PartOutcome::Proved, '',
        ];
        yield 'a return nobody waited for' => [
            $house, $without('retransferred', 'engine_stopped', 'utility_on'), ProofPart::Times, PartOutcome::Open,
            'Return was not timed.',
        ];
        yield 'no transfer came' => [
            $house, ['utility_off' => 0, 'start_signal' => 5600, 'engine_running' => 11_300], ProofPart::Sensing, PartOutcome::Failed,
            'never transferred',
        ];
        yield 'no bait' => [$house, $without('bait_on', 'bait_off'), ProofPart::Bait, PartOutcome::Untouched, 'was not done'];
        yield 'the bait was taken' => [
            $house, ['retransferred' => 64_000, 'bait_off' => 75_000] + self::IN_TIME, ProofPart::Bait, PartOutcome::Failed,
            'had not proved itself',
        ];
        yield 'the button proves no sensing' => [
            $house, ['test_on' => 0, 'start_signal' => 400, 'engine_running' => 5900, 'transferred' => 16_100], ProofPart::Sensing,
            PartOutcome::Untouched, 'No outage was simulated.',
        ];
        yield 'and no times of an outage' => [
            $house, ['test_on' => 0, 'start_signal' => 400, 'engine_running' => 5900, 'transferred' => 16_100], ProofPart::Times,
            PartOutcome::Untouched, 'Only the test button',
        ];
        yield 'a relay' => [
            InstallationKind::Mobile50,
            [
                'start_signal' => 0, 'engine_running' => 5300, 'transferred' => 35_400, 'engine_stopped' => 120_000,
                'retransferred' => 120_600,
            ],
            ProofPart::Sensing, PartOutcome::Proved, '',
        ];
        yield 'three phases are pulled one by one' => [
            InstallationKind::ContactorGenerator, self::IN_TIME, ProofPart::Sensing, PartOutcome::Open, 'Lose L1 of the first supply',
        ];
    }

    #[Test]
    public function a_time_that_was_mended_and_taken_again_counts(): void
    {
        $late = ['transferred' => 90_000] + self::IN_TIME;
        $again = array_map(static fn(int $ms): int => $ms + 1_000_000, self::IN_TIME);
        $marks = [...self::marks($late), ...self::marks($again)];
        self::assertSame(
            PartOutcome::Proved,
            self::of(self::partsOf(InstallationKind::WholeHouse, $marks, static fn(): ?Verdict => null), ProofPart::Times)->outcome,
        );
    }

    #[Test]
    public function who_signs_may_say_that_it_was_left_ready_unless_a_step_says_otherwise(): void
    {
        $house = InstallationKind::WholeHouse;
        self::assertSame(PartOutcome::Proved, self::of(self::parts($house, self::IN_TIME, isReady: true), ProofPart::LeftReady)->outcome);
        $off = static fn(Step $step): ?Verdict => $step->id === 'clean_up/left-in-automatic' ? Verdict::NotSo : null;
        self::assertSame(
            PartOutcome::Failed,
            self::of(self::parts($house, self::IN_TIME, $off, isReady: true), ProofPart::LeftReady)->outcome,
        );
    }

    #[Test]
    public function every_pattern_of_the_table_meets_a_step_of_some_type(): void
    {
        $ids = [];
        foreach (InstallationKind::cases() as $kind) {
            $template = new SheetTemplate($kind);
            foreach ([1, 2, 3] as $edition) {
                foreach ((new Procedure(
                    $kind->value,
                    $template->plant(),
                    $template->settings(),
                    new ProcedureOptions(hasLoadBank: true, mustRun: ['Pump'], edition: $edition),
                    bondPlaces: new BondPlaces([['id' => 'panel', 'name' => 'Panel']]),
                ))->steps() as $step) {
                    $ids[$step->id] = true;
                }
            }
        }
        $ids += StandardPanels::steps('K9', 'd', more: ['options' => (object) ['bank' => true]]);
        $ids += ['install/done' => true, 'on_load_checks/shedding' => true]; // with an installation, with shedding on the sheet
        /** @var array<string, list<string>> $table */
        $table = require dirname(__DIR__, 2) . '/data/proof_steps.php';
        foreach ($table as $part => $patterns) {
            self::assertNotNull(ProofPart::tryFrom($part));
            foreach ($patterns as $pattern) {
                self::assertNotSame(
                    [],
                    array_filter(
                        array_keys($ids),
                        static fn(string $id): bool => $id === $pattern || str_ends_with($pattern, '*')
                            && str_starts_with($id, rtrim($pattern, '*')),
                    ),
                    $pattern,
                );
            }
        }
    }

    /**
     * @param array<string, int>           $marks
     * @param null|\Closure(Step): ?Verdict $answers
     */
    private static function parts(InstallationKind $kind, array $marks, ?\Closure $answers = null, bool $isReady = false): RunParts
    {
        return self::partsOf($kind, self::marks($marks), $answers ?? static fn(): ?Verdict => null, $isReady);
    }

    /**
     * @param list<Mark>               $marks
     * @param \Closure(Step): ?Verdict $answers
     */
    private static function partsOf(InstallationKind $kind, array $marks, \Closure $answers, bool $isReady = false): RunParts
    {
        $template = new SheetTemplate($kind);
        $steps = (new Procedure($kind->value, $template->plant(), $template->settings()))->steps();
        $answered = [];
        foreach ($steps as $step) {
            $verdict = $step->window === null ? $answers($step) : null;
            if ($verdict !== null) {
                $answered[] = new JudgedAnswer($step->id, $step->expectation, $verdict);
            }
        }
        $timing = (new TimingVerdict($template->plant(), $template->settings(), 500))->judge($marks);

        return new RunParts(
            $kind,
            $template->plant()->kind,
            $steps,
            Progress::ofRun($steps, $answered, $timing->runs, false),
            $timing,
            $isReady,
        );
    }

    /**
     * @param array<string, int> $times
     *
     * @return list<Mark>
     */
    private static function marks(array $times): array
    {
        return array_map(
            static fn(string $event, int $ms): Mark => new Mark(MarkEvent::from($event), $ms, "$event-$ms", false),
            array_keys($times),
            array_values($times),
        );
    }

    private static function of(RunParts $parts, ProofPart $part): RunPart
    {
        foreach ($parts->parts as $one) {
            if ($one->part === $part) {
                return $one;
            }
        }
        self::fail("$part->value is not of this type");
    }

    /**
     * @param list<RunPart> $parts
     *
     * @return list<string>
     */
    private static function names(array $parts): array
    {
        return array_map(static fn(RunPart $one): string => $one->part->value, $parts);
    }
}
