<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\AnswerFault;
use Escapement\Core\Commissioning\Procedure\AnswerJudge;
use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Procedure;
use Escapement\Core\Commissioning\Procedure\Progress;
use Escapement\Core\Commissioning\Procedure\Step;
use Escapement\Core\Commissioning\Procedure\StepState;
use Escapement\Core\Commissioning\Procedure\SubmittedAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\ProcedureReader;
use Escapement\Core\Wire\Topology\BondingWriter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The installation as a stage of the procedure: its order, its lugs, its bonds, and what cannot be called done. */
final class InstallTest extends TestCase
{
    private const LUG = 'install/torque-ats-L1-';

    /** @param array<string, mixed> $install */
    #[Test, DataProvider('works')]
    public function it_comes_between_proved_dead_and_everything_that_is_inspected(array $install): void
    {
        $steps = $this->steps($install);
        $before = [];
        foreach ($steps as $step) {
            self::assertMatchesRegularExpression('#^[a-z_]+/[a-zA-Z0-9.-]+$#', $step->id);
            self::assertSame([], array_diff($step->dependsOn, array_keys($before)), $step->id);
            self::assertArrayNotHasKey($step->id, $before);
            $before[$step->id] = true;
            foreach ([$step->title, $step->why, $step->expectation, $step->ifNot, (string) $step->hazard] as $words) {
                self::assertStringNotContainsString('{', $words, $step->id);
            }
            [$stage] = explode('/', $step->id);
            if ($stage === 'install') {
                self::assertContains('isolate/proved-dead', $step->dependsOn, $step->id);
                self::assertTrue(
                    $step->hazard !== null || in_array($step->id, ['install/torque-tool', 'install/done'], true),
                    "$step->id: the hazard comes before hands go in",
                );
            } elseif ($stage !== 'isolate') {
                self::assertContains('install/done', $step->dependsOn, $step->id);
            }
        }
        self::assertArrayHasKey('install/done', $before);
        self::assertArrayNotHasKey('inspect/torque', $before, 'each lug has its own step');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function works(): iterable
    {
        yield 'nothing but a date' => [[]];
        yield 'one enclosure' => [['enclosures' => [self::enclosure()]]];
        yield 'two, whose names begin alike' => [[
            'enclosures' => [self::enclosure(), ['id' => 'ats-2', 'name' => 'Second switch'] + self::enclosure()],
            'feeders' => [['name' => 'Meter to switch', 'words' => 'Bushed at both ends.']],
        ]];
        yield 'with the bonds of the site' => [[
            'bonding' => self::bonding(), 'enclosures' => [self::enclosure()],
        ]];
    }

    /** @return array<string, mixed> of the site, as `bonding` takes it */
    private static function bonding(): array
    {
        return (new BondingWriter())->model((new SiteBonding(self::site()))->model());
    }

    #[Test]
    public function all_of_it_waits_in_its_order(): void
    {
        $steps = $this->steps([
            'bonding' => self::bonding(), 'feeders' => [['name' => 'Meter to switch', 'words' => 'Bushed.']],
            'enclosures' => [self::enclosure()],
        ]);
        $lug = self::one($steps, self::LUG);
        self::assertContains('install/land-ats', $lug->dependsOn);
        self::assertContains('install/torque-tool', $lug->dependsOn);
        self::assertNotEmpty(self::starting(self::one($steps, 'install/land-ats')->dependsOn, 'install/pull-meter-to-switch-'));
        self::assertContains($lug->id, self::one($steps, 'install/close-ats')->dependsOn);
        $bond = self::one($steps, 'install/bond-remove-bond-panel');
        self::assertStringStartsWith('Remove the bonding jumper in', $bond->title);
        self::assertContains('install/before-panel', $bond->dependsOn, 'a picture before anything is moved');
        self::assertContains($bond->id, self::one($steps, 'install/after-panel')->dependsOn);
        self::assertStringContainsString(
            'In this order: G (bare) on Ground bar; N (black, white tape) on Neutral bar; L1 (black) on Normal L1',
            self::one($steps, 'install/land-ats')->expectation,
        );
    }

    /** @param array{float, float} $limits */
    #[Test, DataProvider('units')]
    public function a_lug_is_torqued_in_the_unit_of_the_tool_in_hand(string $unit, array $limits, string $name): void
    {
        $lug = self::one(
            $this->steps(['torque_unit' => $unit, 'enclosures' => [self::enclosure(['maker' => ['value' => 250, 'unit' => 'in_lb']])]]),
            self::LUG,
        );
        self::assertSame($name, $lug->band?->unit);
        self::assertEqualsWithDelta($limits, [$lug->band->min, $lug->band->max], 1e-9);
        self::assertStringContainsString('By its maker.', $lug->why);
        foreach ([$lug->band->min, $lug->band->max] as $limit) {
            self::assertSame('in_band', $lug->band->judge((float) $limit), 'what is read and typed is inside');
        }
        self::assertSame('stop', $lug->band->judge($limits[0] - 0.01));
        self::assertSame('stop', $lug->band->judge($limits[1] + 0.01));
    }

    /** @return iterable<string, array{string, array{float, float}, string}> */
    public static function units(): iterable
    {
        yield 'inch-pounds' => ['in_lb', [225, 275], 'in-lb'];
        yield 'foot-pounds' => ['ft_lb', [18.75, 22.92], 'ft-lb'];
        yield 'newton metres' => ['nm', [25.42, 31.07], 'N·m'];
    }

    #[Test]
    public function without_the_makers_value_the_table_is_a_last_resort_and_is_said_to_be(): void
    {
        $lug = self::one($this->steps(['enclosures' => [self::enclosure()]]), self::LUG);
        self::assertSame(275.0, $lug->band?->nominal);
        self::assertStringContainsString('a last resort', $lug->why);
    }

    /**
     * @param array<string, mixed> $install
     * @param string               $id      of the step that it stands against
     */
    #[Test, DataProvider('stops')]
    public function a_stop_finding_keeps_its_step_from_being_called_done(array $install, string $id, string $says): void
    {
        $steps = $this->steps($install);
        $step = self::one($steps, $id);
        self::assertStringContainsString($says, implode(' ', $step->stoppedBy));
        self::assertFalse($step->mayBeSkipped, 'nor is it left out');
        foreach ([new SubmittedAnswer(true, 250, note: 'Looks good.'), new SubmittedAnswer(skipReason: 'No time.')] as $given) {
            try {
                (new AnswerJudge())->judge($step, $given);
                self::fail('it was called done');
            } catch (AnswerFault $e) {
                self::assertStringContainsString('cannot be called done', $e->getMessage());
            }
        }
        $all = array_map(static fn(Step $one): JudgedAnswer => new JudgedAnswer($one->id, $one->expectation, Verdict::AsExpected), $steps);
        $progress = Progress::of($steps, $all);
        self::assertSame(StepState::Stopped, $progress->states[$step->id], 'not even an answer from before counts');
        self::assertNotSame('pass', $progress->verdict());
        self::assertSame($step->id, $progress->next(), 'when nothing else is open it is the one to look at');
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function stops(): iterable
    {
        yield 'a hot on the neutral bar' => [
            ['enclosures' => [self::enclosure(['on' => 'N', 'terminal' => 'Neutral bar'])]],
            'install/land-ats',
            'neutral',
        ];
        yield 'a green hot' => [['enclosures' => [self::enclosure(['colour' => 'green'])]], 'install/land-ats', 'Green'];
        yield 'a screw whose torque nobody knows' => [
            ['enclosures' => [self::enclosure(['screw' => 'slotted_small', 'size' => '4/0'])]],
            self::LUG,
            'no torque value',
        ];
        yield 'bonds that nobody looked at' => [
            ['bonds_unknown' => 'Not known: the neutral of the switch.'], 'install/bonds-not-known', 'Not known',
        ];
        yield 'a box that is too small' => [
            ['enclosures' => [['stops' => ['The splice box is too small.']] + self::enclosure()]],
            'install/land-ats',
            'too small',
        ];
        yield 'a raceway that is too full' => [
            ['feeders' => [['name' => 'Feeder', 'words' => 'Bushed.', 'stops' => ['The raceway is too full.']]]],
            'install/pull-feeder-',
            'too full',
        ];
        yield 'a tool out of calibration' => [['calibrated_on' => '2025-11-22'], 'install/torque-tool', '2026-11-22'];
    }

    #[Test]
    public function on_its_last_day_the_tool_is_still_good(): void
    {
        self::assertSame([], self::one($this->steps(['calibrated_on' => '2025-11-23']), 'install/torque-tool')->stoppedBy);
    }

    /** @param ?string $field that is told of; null: it is kept */
    #[Test, DataProvider('answers')]
    public function an_answer_says_what_the_step_asks_for(string $id, SubmittedAnswer $given, ?string $field, ?Verdict $verdict): void
    {
        $step = self::one($this->steps(['bonding' => self::bonding(), 'enclosures' => [self::enclosure()]]), $id);
        try {
            self::assertSame($verdict, (new AnswerJudge())->judge($step, $given));
            self::assertNull($field);
        } catch (AnswerFault $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{string, SubmittedAnswer, ?string, ?Verdict}> */
    public static function answers(): iterable
    {
        yield 'torqued and marked' => [self::LUG, new SubmittedAnswer(true, 275), null, Verdict::AsExpected];
        yield 'torqued, the mark forgotten' => [self::LUG, new SubmittedAnswer(null, 275), 'so', null];
        yield 'marked, no figure' => [self::LUG, new SubmittedAnswer(true), 'value', null];
        yield 'too loose, and a note does not close it' => [
            self::LUG,
            new SubmittedAnswer(true, 200, note: 'Felt tight.'),
            null,
            Verdict::NotSo,
        ];
        yield 'too loose, without a word' => [self::LUG, new SubmittedAnswer(true, 200), 'note', null];
        yield 'too tight, no mark yet' => [self::LUG, new SubmittedAnswer(null, 400, note: 'Strands cut.'), null, Verdict::NotSo];
        yield 'the tool without its number' => ['install/torque-tool', new SubmittedAnswer(true), 'note', null];
        yield 'the tool with its number' => [
            'install/torque-tool',
            new SubmittedAnswer(true, note: 'TS-14, March 2027'),
            null,
            Verdict::AsExpected,
        ];
        yield 'a picture' => ['install/before-panel', new SubmittedAnswer(true, photos: 1), null, Verdict::AsExpected];
        yield 'no picture' => ['install/before-panel', new SubmittedAnswer(true), 'photos', null];
        yield 'no picture, and why' => [
            'install/before-panel',
            new SubmittedAnswer(true, note: 'The phone was wet.'),
            null,
            Verdict::Noted,
        ];
        yield 'a picture that shows something else' => [
            'install/before-panel',
            new SubmittedAnswer(false, note: 'A second bond.', photos: 1),
            null,
            Verdict::NotSo,
        ];
        yield 'signed' => ['clean_up/sign-owner', new SubmittedAnswer(true, name: 'Ida Lind'), null, Verdict::AsExpected];
        yield 'signed by nobody' => ['clean_up/sign-owner', new SubmittedAnswer(true, name: ' '), 'name', null];
        yield 'not signed, and why' => ['clean_up/sign-owner', new SubmittedAnswer(false, note: 'Was not at home.'), null, Verdict::NotSo];
        yield 'not signed, no reason' => ['clean_up/sign-owner', new SubmittedAnswer(false), 'note', null];
    }

    #[Test]
    public function what_is_done_is_asked_again_only_where_its_landing_changes(): void
    {
        $answered = array_values(array_map(
            static fn(Step $step): JudgedAnswer => new JudgedAnswer($step->id, $step->expectation, Verdict::AsExpected, $step->expected),
            $this->byId(['enclosures' => [self::enclosure()]]),
        ));
        $changed = $this->procedure(['enclosures' => [self::enclosure(['maker' => ['value' => 300, 'unit' => 'in_lb']])]]);
        self::assertSame([self::one($changed->steps(), self::LUG)->id], array_column($changed->reopened($answered), 'id'));
    }

    /** @param array<string, mixed> $install */
    #[Test, DataProvider('faults')]
    public function a_fault_is_named_where_it_is(array $install, string $path): void
    {
        try {
            $this->procedure($install);
            self::fail("takes a fault at $path");
        } catch (BadInput $e) {
            self::assertSame("/install$path", $e->path);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'a unit that is none' => [['torque_unit' => 'kgm'], '/torque_unit'];
        yield 'no day' => [['work_date' => 'tomorrow'], '/work_date'];
        yield 'no day of calibration' => [['calibrated_on' => '2026-02-30'], '/calibrated_on'];
        yield 'an unknown key' => [['torque' => 3], '/torque'];
        yield 'an enclosure twice' => [['enclosures' => [self::enclosure(), self::enclosure()]], '/enclosures/1/id'];
        yield 'nothing lands in it' => [['enclosures' => [['lines' => []] + self::enclosure()]], '/enclosures/0/lines'];
        yield 'a colour that is none' => [['enclosures' => [self::enclosure(['colour' => 'plaid'])]], '/enclosures/0/lines/2/colour'];
        yield 'a maker\'s torque of nothing' => [
            ['enclosures' => [self::enclosure(['maker' => ['value' => 0, 'unit' => 'nm']])]],
            '/enclosures/0/lines/2/maker/value',
        ];
        yield 'a stop that is no text' => [['feeders' => [['name' => 'A', 'words' => 'B', 'stops' => [1]]]], '/feeders/0/stops/0'];
        yield 'a bond of nothing' => [['bonding' => ['elements' => 1]], '/bonding/phases'];
    }

    /**
     * @param array<string, mixed> $install
     *
     * @return list<Step>
     */
    private function steps(array $install): array
    {
        return $this->procedure($install)->steps();
    }

    /**
     * @param array<string, mixed> $install
     *
     * @return array<string, Step>
     */
    private function byId(array $install): array
    {
        return array_column(
            array_map(static fn(Step $step): array => ['id' => $step->id, 'step' => $step], $this->steps($install)),
            'step',
            'id',
        );
    }

    /** @param array<string, mixed> $install */
    private function procedure(array $install): Procedure
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);

        return (new ProcedureReader())->procedure(Node::fromArray([
            'kind' => 'K1',
            'system' => $template->plant()->toArray(),
            'settings' => $template->settings()->toWire(),
            'names' => self::site()->names(),
            'install' => $install + ['work_date' => '2026-11-23'],
        ])->object());
    }

    private static function site(): SitePlan
    {
        return new SitePlan(new SitePlanInput(
            InstallationKind::WholeHouse,
            'split',
            120,
            200,
            200,
            isServiceRated: true,
            poles: 2,
            isNeutralSwitched: false,
            generatorBreakerA: 100,
            isGeneratorBonded: true,
            isPanelBonded: true,
            electrodeAt: 'panel',
            groundsOnNeutralBar: 4,
            groundBarFree: 2,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
    }

    /**
     * @param array<string, mixed> $hot what is another way with the hot
     *
     * @return array<string, mixed>
     */
    private static function enclosure(array $hot = []): array
    {
        return ['id' => 'ats', 'name' => 'Transfer switch', 'colour_system' => 'us_split_120_240', 'lines' => [
            [
                'conductor' => 'G',
                'terminal' => 'Ground bar',
                'on' => 'G',
                'feeder' => 'Meter to switch',
                'size' => '6',
                'colour' => 'bare',
                'screw' => 'slotted_large',
            ],
            [
                'conductor' => 'N',
                'terminal' => 'Neutral bar',
                'on' => 'N',
                'feeder' => 'Meter to switch',
                'size' => '4/0',
                'colour' => 'black',
                'reid' => 'white',
                'screw' => 'hex_socket',
                'socket_in' => '5/16',
            ],
            $hot + [
                'conductor' => 'L1',
                'terminal' => 'Normal L1',
                'on' => 'L1',
                'feeder' => 'Meter to switch',
                'size' => '4/0',
                'colour' => 'black',
                'screw' => 'hex_socket',
                'socket_in' => '5/16',
            ],
        ]];
    }

    /** @param list<Step> $steps */
    private static function one(array $steps, string $start): Step
    {
        return array_values(array_filter(
            $steps,
            static fn(Step $step): bool => str_starts_with($step->id, $start),
        ))[0] ?? throw new \LogicException("no $start");
    }

    /**
     * @param list<string> $ids
     *
     * @return list<string>
     */
    private static function starting(array $ids, string $start): array
    {
        return array_values(array_filter($ids, static fn(string $id): bool => str_starts_with($id, $start)));
    }
}
