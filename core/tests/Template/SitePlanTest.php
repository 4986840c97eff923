<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Template;

use Escapement\Core\Template\InstallationKind;
use Escapement\Core\Template\PlanLoad;
use Escapement\Core\Template\SitePlan;
use Escapement\Core\Template\SubPanel;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Node;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The generated one-line of each kind must be one that the rules take, and that has no mistake of its own making. */
final class SitePlanTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function a_generated_one_line_carries_every_load_and_back_feeds_nothing(InstallationKind $kind, bool $isServiceRated): void
    {
        $plan = self::plan($kind, $isServiceRated);
        $topology = $this->calc('topology', $plan->drawing());
        $ids = array_column($topology['findings'], 'id');
        self::assertNotContains('backfeed', $ids);
        self::assertNotContains('load-never-fed', $ids);
        self::assertNotContains('no-service-disconnect', $ids);
        self::assertNotContains('switch-not-service-rated', $ids);
        self::assertNotContains('sensing-dead', $ids);
        self::assertContains('gen', $topology['load_sources']['load-1'], 'what must run is carried by the generator');
        self::assertSame([], array_diff(array_keys($topology['load_sources']), array_keys($plan->names())));
        $layout = $this->calc('one_line_layout', $plan->drawing());
        self::assertCount(count($plan->drawing()['elements']), $layout['cells']);
        foreach (['bonding' => $plan->bonding()] as $calc => $input) {
            foreach ($this->calc($calc, $input)['after'] as $after) {
                self::assertSame('ok', $after['verdict']);
            }
        }
    }

    /** @return iterable<string, array{InstallationKind, bool}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            foreach (SitePlan::knows($kind) ? [false, true] : [] as $isServiceRated) {
                if (! $isServiceRated || in_array($kind, [InstallationKind::WholeHouse, InstallationKind::TwoPanels, InstallationKind::FactoryControl], true)) {
                    yield $kind->value . ($isServiceRated ? ', service rated' : '') => [$kind, $isServiceRated];
                }
            }
        }
    }

    #[Test]
    public function a_service_rated_switch_makes_the_old_main_panel_a_sub_panel(): void
    {
        $plan = self::plan(InstallationKind::WholeHouse, true);
        $actions = array_map(static fn(array $one): string => "{$one['action']} {$one['at']}", $this->calc('bonding', $plan->bonding())['actions']);
        self::assertContains('remove-bond panel', $actions);
        self::assertContains('add-bond ats', $actions);
        self::assertContains('panel-now-sub', array_column($this->calc('topology', $plan->drawing())['findings'], 'id'));
    }

    #[Test]
    public function a_panel_more_is_fed_carries_its_load_and_shows_a_bond_left_in(): void
    {
        $plan = new SitePlan(InstallationKind::WholeHouse, 'split', 120, 200, 200, true, null, false, 80, false, true, 6, 2, 10, 22, [
            new PlanLoad('Lights', 1.2, 'L1', true), new PlanLoad('Kiln', 5, 'L1L2', false, 'sub-2'), new PlanLoad('Lost', 1, 'L2', false, 'sub-7'),
        ], [new SubPanel('sub-1', 'Garage', 'panel', 60, false), new SubPanel('sub-2', 'Shed', 'sub-1', 40, true), new SubPanel('sub-3', 'Nowhere', 'panel-b', 30, false)]);
        self::assertSame(['panel', 'sub-1', 'sub-2'], array_keys($plan->panels()), 'one whose feeder is not there waits');
        $topology = $this->calc('topology', $plan->drawing());
        self::assertNotContains('load-never-fed', array_column($topology['findings'], 'id'));
        self::assertContains('gen', $topology['load_sources']['load-2']);
        self::assertSame('panel.b3', array_column($plan->drawing()['links'], 'from', 'to')['load-3'], 'a load whose panel is gone hangs where its kind puts it');
        $actions = array_map(static fn(array $one): string => "{$one['action']} {$one['at']}", $this->calc('bonding', $plan->bonding())['actions']);
        self::assertContains('remove-bond sub-2', $actions);
        self::assertNotContains('remove-bond sub-1', $actions);
        self::assertContains(60.0, array_column($plan->feeders(), 'ocpd_a', 'to'));
    }

    #[Test, DataProvider('kinds')]
    public function the_feeders_join_what_is_on_the_drawing(InstallationKind $kind, bool $isServiceRated): void
    {
        $plan = self::plan($kind, $isServiceRated);
        foreach ($plan->feeders() as $feeder) {
            self::assertContains($feeder['from'], $plan->enclosures());
            self::assertContains($feeder['to'], $plan->enclosures());
            self::assertLessThan($feeder['ocpd_a'], $feeder['amps']);
            self::assertSame($feeder['from'] === 'meter' ? '1' : '0', $feeder['service']);
        }
        self::assertContains('ats', array_column($plan->feeders(), 'to'));
    }

    private static function plan(InstallationKind $kind, bool $isServiceRated): SitePlan
    {
        $system = $kind === InstallationKind::Mobile30 ? 'single' : 'split';
        $wide = $system === 'single' ? 'L1' : 'L1L2';

        return new SitePlan($kind, $system, 120, 100, 100, $isServiceRated, null, false, 80, false, true, 6, 2, 10, 22, [
            new PlanLoad('Always on', 1.2, 'L1', true), new PlanLoad('Well pump', 1.5, $wide, true), new PlanLoad('Heat pump', 5, $wide, false),
        ]);
    }

    /**
     * @param array<string, mixed> $input
     *
     * @return array<string, mixed>
     */
    private function calc(string $name, array $input): array
    {
        return CaseFile::asArray((new Calculations())->calc($name, Node::fromArray($input)));
    }
}
