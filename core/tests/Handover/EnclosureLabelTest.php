<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Handover;

use Escapement\Core\Handover\EnclosureLabel;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Topology\OutageTestPoint;
use Escapement\Core\Topology\OutageTestPointInput;
use Escapement\Core\Topology\OutageTestPointResult;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class EnclosureLabelTest extends TestCase
{
    #[Test, DataProvider('drawn')]
    public function each_panel_says_whether_it_holds_the_bond_and_that_two_sources_feed_it(InstallationKind $kind): void
    {
        $plan = self::plan($kind);
        $drawing = $plan->oneLine();
        $panels = $drawing->ofType('panel');
        $bonded = array_slice(array_map(static fn($panel): string => $panel->id, $panels), 0, 1);
        $labels = EnclosureLabel::of('Q1', (new SheetTemplate($kind))->plant()->kind, $drawing, $plan->names(), $bonded, self::test($plan));
        $ofPanels = array_slice($labels, count($labels) - count($panels));
        foreach ($ofPanels as $i => $label) {
            self::assertSame($plan->names()[$panels[$i]->id], $label->title);
            self::assertStringContainsString($i === 0 ? 'are joined here' : 'stay apart here', $label->lines[0]);
            self::assertStringContainsString('proved dead', $label->hazard);
        }
        self::assertStringContainsString(
            'outage test is made by ' . ($kind->isPortable() ? 'pulling' : 'opening'),
            (string) array_values(array_slice($labels[0]->lines, -1))[0],
        );
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function drawn(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function the_switch_names_what_stays_live_and_the_disconnect_that_proves_it(): void
    {
        $plan = self::plan(InstallationKind::WholeHouse);
        $label = EnclosureLabel::of(
            'Q1',
            PlantKind::Standby,
            $plan->oneLine(),
            $plan->names(),
            ['ats'],
            self::test($plan),
        )[0];
        self::assertContains('With Transfer switch main open, its line side stays live from Utility.', $label->lines);
        self::assertContains('The outage test is made by opening Transfer switch main.', $label->lines);
    }

    #[Test]
    public function a_panel_ahead_of_the_switch_is_never_fed_by_the_generator(): void
    {
        $plan = self::plan(InstallationKind::from('K2'));
        $labels = array_column(
            array_map(
                static fn(EnclosureLabel $label): array => [$label->title, $label->hazard],
                EnclosureLabel::of(
                    'Q1',
                    PlantKind::Standby,
                    $plan->oneLine(),
                    $plan->names(),
                    ['main'],
                    self::test($plan),
                ),
            ),
            1,
            0,
        );
        self::assertStringStartsWith('Fed by Utility. ', $labels[$plan->names()['main']]);
        self::assertStringStartsWith('Fed by Utility, or by Generator. ', $labels[$plan->names()['crit']]);
    }

    /** @param list<string> $titles */
    #[Test, DataProvider('undrawn')]
    public function without_a_one_line_the_words_stay_general(PlantKind $kind, array $titles): void
    {
        $labels = EnclosureLabel::of('Q1', $kind, null, [], [], (new OutageTestPoint())->decide(new OutageTestPointInput(null)));
        self::assertSame($titles, array_map(static fn(EnclosureLabel $label): string => $label->title, $labels));
        self::assertSame(['Where an outage is simulated is not known: ask before the test.'], $labels[0]->lines);
    }

    /** @return iterable<string, array{PlantKind, list<string>}> */
    public static function undrawn(): iterable
    {
        yield 'with an engine' => [PlantKind::Standby, ['Transfer switch Q1', 'Generator']];
        yield 'two utilities' => [PlantKind::TwoSource, ['Transfer switch Q1']];
        yield 'a vehicle' => [PlantKind::Mobile, ['Transfer switch Q1', 'Generator']];
    }

    #[Test]
    public function a_bond_that_nobody_looked_at_is_not_claimed_and_a_vehicles_set_does_not_start_by_itself(): void
    {
        $plan = self::plan(InstallationKind::Mobile50);
        $labels = array_column(
            array_map(
                static fn(EnclosureLabel $label): array => [$label->title, $label->hazard . ' ' . implode(' ', $label->lines)],
                EnclosureLabel::of(
                    'Q1',
                    PlantKind::Mobile,
                    $plan->oneLine(),
                    $plan->names(),
                    null,
                    self::test($plan),
                ),
            ),
            1,
            0,
        );
        self::assertStringContainsString('is not known', $labels['Panel']);
        self::assertStringNotContainsString('by itself', $labels['Generator']);
    }

    private static function test(SitePlan $plan): OutageTestPointResult
    {
        return (new OutageTestPoint())->decide(new OutageTestPointInput(
            $plan->oneLine(),
            $plan->names(),
        ));
    }

    private static function plan(InstallationKind $kind): SitePlan
    {
        return new SitePlan(new SitePlanInput(
            $kind,
            $kind->isThreePhase() ? 'three' : 'split',
            120,
            200,
            200,
            isServiceRated: true,
            poles: 2,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
    }
}
