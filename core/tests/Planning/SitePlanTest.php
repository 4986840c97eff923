<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Input\Node;
use Escapement\Core\Planning\Declared;
use Escapement\Core\Planning\LocalPlant;
use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Planning\SubPanel;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\Topology\OneLineWriter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The generated one-line of each kind must be one that the rules take, and that has no mistake of its own making. */
final class SitePlanTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function a_generated_one_line_carries_every_load_and_back_feeds_nothing(
        InstallationKind $kind,
        bool $isServiceRated,
        ?Upstream $upstream,
    ): void {
        $plan = self::plan($kind, $isServiceRated, $upstream);
        $topology = $this->ask('topology', $plan);
        $ids = array_column($topology['findings'], 'id');
        foreach ([
            'backfeed', 'load-never-fed', 'no-service-disconnect', 'switch-not-service-rated', 'sensing-dead', 'no-outage-test-point',
        ] as $mistake) {
            self::assertNotContains($mistake, $ids);
        }
        self::assertContains(
            $kind->hasGenerator() ? 'gen' : 't2',
            $topology['load_sources']['load-1'],
            'what must run is carried by the second source',
        );
        self::assertSame([], array_diff(array_keys($topology['load_sources']), array_keys($plan->names())));
        $layout = $this->ask('one_line_layout', $plan);
        self::assertCount(count((new OneLineWriter())->drawing($plan->oneLine())['elements']), $layout['cells']);
        foreach ((new OneLineWriter())->drawing($plan->oneLine())['elements'] as $element) {
            self::assertArrayHasKey($element['id'], $plan->names());
        }
    }

    /** @return iterable<string, array{InstallationKind, bool, ?Upstream}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            foreach ($kind->isAtService() ? [false, true] : [false] as $isServiceRated) {
                foreach ($kind->isMobile() || $kind === InstallationKind::ContactorPair ? [null]
                    : [null, ...Upstream::cases()] as $upstream) {
                    yield $kind->value . ($isServiceRated ? ', service rated' : '')
                        . ($upstream === null ? '' : ", opened by $upstream->value") => [$kind, $isServiceRated, $upstream];
                }
            }
        }
    }

    #[Test]
    public function a_service_rated_switch_makes_the_old_main_panel_a_sub_panel(): void
    {
        $plan = self::plan(InstallationKind::WholeHouse, true);
        self::assertContains('panel-now-sub', array_column($this->ask('topology', $plan)['findings'], 'id'));
    }

    #[Test]
    public function a_disconnect_by_the_meter_is_on_the_drawing_and_makes_the_outage(): void
    {
        foreach ([InstallationKind::WholeHouse, InstallationKind::TwoPanels, InstallationKind::FactoryControl] as $kind) {
            $with = self::plan($kind, true, Upstream::Disconnect);
            self::assertArrayHasKey('md', $with->devices());
            self::assertContains('md', array_column($this->ask('topology', $with)['outage_test_points'], 'device'));
            self::assertArrayNotHasKey('md', self::plan($kind, true, Upstream::Utility)->devices());
        }
    }

    #[Test, DataProvider('plugs')]
    public function a_plug_is_a_device_and_the_nearest_that_makes_the_outage(InstallationKind $kind): void
    {
        $points = $this->ask('topology', self::plan($kind, false))['outage_test_points'];
        self::assertSame('plug', $points[0]['device']);
        self::assertSame([], $points[0]['loads_lost_elsewhere']);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function plugs(): iterable
    {
        yield 'a box with a cord' => [InstallationKind::PlugInBox];
        yield 'one hot' => [InstallationKind::Mobile30];
        yield 'two hots' => [InstallationKind::Mobile50];
    }

    #[Test]
    public function a_panel_more_is_fed_and_carries_its_load(): void
    {
        $plan = new SitePlan(new SitePlanInput(InstallationKind::WholeHouse, 'split', 120, 200, 200, isServiceRated: true, loads: [
            new PlanLoad('Lights', 1.2, 'L1', true),
            new PlanLoad('Kiln', 5, 'L1L2', false, 'sub-2'),
            new PlanLoad('Lost', 1, 'L2', false, 'sub-7'),
        ], subPanels: [
            new SubPanel('sub-1', 'Garage', 'panel', 60, false),
            new SubPanel('sub-2', 'Shed', 'sub-1', 40, true),
            new SubPanel('sub-3', 'Nowhere', 'panel-b', 30, false),
        ]));
        self::assertSame(['panel', 'sub-1', 'sub-2'], array_keys($plan->panels()), 'one whose feeder is not there waits');
        $topology = $this->ask('topology', $plan);
        self::assertNotContains('load-never-fed', array_column($topology['findings'], 'id'));
        self::assertContains('gen', $topology['load_sources']['load-2']);
        self::assertSame(
            'panel.b3',
            array_column((new OneLineWriter())->drawing($plan->oneLine())['links'], 'from', 'to')['load-3'],
            'a load whose panel is gone hangs where its kind puts it',
        );
    }

    #[Test]
    public function the_breaker_of_a_three_phase_load_is_sized_by_all_three(): void
    {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::MotorDriven,
            'three',
            230,
            400,
            400,
            loads: [new PlanLoad('Pump', 45, '3P', true)],
        ));
        $panel = array_column((new OneLineWriter())->drawing($plan->oneLine())['elements'], null, 'id')['panel'];
        self::assertSame(90, $panel['breakers'][0]['rating_a'], '45 kW at 3 × 230 V is 65 A, and a quarter more is 82 A');
    }

    #[Test]
    public function a_battery_station_is_drawn_as_one(): void
    {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::Mobile50,
            'split',
            120,
            50,
            50,
            isBattery: true,
            loads: [new PlanLoad('Lights', 1, 'L1', true)],
        ));
        self::assertSame('inverter', array_column((new OneLineWriter())->drawing($plan->oneLine())['elements'], null, 'id')['gen']['kind']);
        self::assertSame('Inverter', $plan->names()['gen']);
    }

    private static function plan(InstallationKind $kind, bool $isServiceRated, ?Upstream $upstream = null): SitePlan
    {
        $system = match (true) {
            $kind === InstallationKind::Mobile30 => 'single',
            $kind->isThreePhase() => 'three',
            default => 'split',
        };
        $wide = ['single' => 'L1', 'split' => 'L1L2', 'three' => '3P'][$system];

        return new SitePlan(new SitePlanInput(
            $kind,
            $system,
            120,
            100,
            100,
            $isServiceRated,
            generatorBreakerA: 80,
            faultKa: 10,
            withstandKa: 22,
            upstream: $upstream,
            loads: [
                new PlanLoad('Always on', 1.2, 'L1', true),
                new PlanLoad('Well pump', 1.5, $wide, true),
                new PlanLoad('Heat pump', 5, $wide, false),
            ],
        ));
    }

    /** @return array<string, mixed> what a calculation says to the drawing of a plan */
    private function ask(string $name, SitePlan $plan): array
    {
        return $this->calc($name, (new OneLineWriter())->drawing($plan->oneLine()));
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

    /** @param array<string, mixed> $known of the input */
    #[Test, DataProvider('poles')]
    public function a_switch_has_the_poles_it_was_surveyed_with_or_those_it_needs(InstallationKind $kind, array $known, int $poles): void
    {
        $system = $kind->isThreePhase() ? 'three' : ($kind === InstallationKind::Mobile30 ? 'single' : 'split');
        $plan = new SitePlan(new SitePlanInput(...$known + ['kind' => $kind, 'system' => $system, 'vLn' => 120.0]));
        self::assertSame($poles, $plan->oneLine()->byId['ats']->poles);
    }

    /** @return iterable<string, array{InstallationKind, array<string, mixed>, int}> */
    public static function poles(): iterable
    {
        yield 'two legs' => [InstallationKind::WholeHouse, ['isNeutralSwitched' => false], 2];
        yield 'two legs and the neutral' => [InstallationKind::WholeHouse, ['isNeutralSwitched' => true], 3];
        yield 'one leg and the neutral' => [InstallationKind::Mobile30, ['isNeutralSwitched' => true], 2];
        yield 'one leg: no switch has less than two' => [InstallationKind::Mobile30, ['isNeutralSwitched' => false], 2];
        yield 'three phases' => [InstallationKind::MotorDriven, ['isNeutralSwitched' => false], 3];
        yield 'three phases and the neutral' => [InstallationKind::MotorDriven, ['isNeutralSwitched' => true], 4];
        yield 'as surveyed' => [InstallationKind::WholeHouse, ['poles' => 4, 'isNeutralSwitched' => false], 4];
        yield 'more than any has' => [InstallationKind::WholeHouse, ['poles' => 6, 'isNeutralSwitched' => false], 4];
    }

    #[Test]
    public function a_load_between_lines_needs_no_neutral_and_an_emergency_stop_belongs_to_an_engine(): void
    {
        $known = [
            'kind' => InstallationKind::WholeHouse, 'system' => 'split', 'vLn' => 120.0,
            'loads' => [new PlanLoad('Lights', 1, 'L1', true), new PlanLoad('Pump', 1, 'L1L2', true)],
            'declared' => new Declared(InstallationKind::WholeHouse, ['emergency_stop' => 'no']),
        ];
        $plan = new SitePlan(new SitePlanInput(...$known));
        $bonds = (new SiteBonding($plan))->model()->elements;
        self::assertSame([true, false], [$bonds['load-1']->needsNeutral, $bonds['load-2']->needsNeutral]);
        self::assertFalse($plan->oneLine()->byId['gen']->hasEmergencyStop);
        $battery = new SitePlan(new SitePlanInput(...['isBattery' => true] + $known));
        self::assertNull($battery->oneLine()->byId['gen']->hasEmergencyStop);
        self::assertNull($plan->oneLine()->byId['utility']->hasEmergencyStop);
    }

    #[Test, DataProvider('places')]
    public function a_new_switch_begins_with_the_supply_of_its_place(
        InstallationKind $kind,
        bool $isMetric,
        int $phases,
        float $volts,
        float $hertz,
    ): void {
        $plant = LocalPlant::of($kind, $isMetric);
        foreach ([$plant->normal, $plant->emergency] as $source) {
            self::assertSame([$phases, $volts, $hertz], [$source->phases, (float) $source->nominalV, (float) $source->nominalHz]);
        }
        self::assertSame($kind->hasGenerator(), $plant->engine !== null);
    }

    /** @return iterable<string, array{InstallationKind, bool, int, float, float}> */
    public static function places(): iterable
    {
        yield 'a house' => [InstallationKind::WholeHouse, false, 2, 120.0, 60.0];
        yield 'a metric house' => [InstallationKind::WholeHouse, true, 3, 230.0, 50.0];
        yield 'a box with a cord' => [InstallationKind::PlugInBox, false, 2, 120.0, 60.0];
        yield 'a metric box with a cord' => [InstallationKind::PlugInBox, true, 1, 230.0, 50.0];
        yield 'a vehicle' => [InstallationKind::Mobile50, false, 2, 120.0, 60.0];
        yield 'a metric vehicle' => [InstallationKind::Mobile50, true, 1, 230.0, 50.0];
        yield 'a small metric vehicle' => [InstallationKind::Mobile30, true, 1, 230.0, 50.0];
        yield 'a metric shop' => [InstallationKind::ContactorPair, true, 3, 230.0, 50.0];
    }
}
