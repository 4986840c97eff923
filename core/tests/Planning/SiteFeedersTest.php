<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Planning\SiteFeeders;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Planning\SubPanel;
use Escapement\Core\Plant\InstallationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SiteFeedersTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function the_feeders_join_what_is_on_the_drawing_and_carry_no_more_than_their_device(InstallationKind $kind): void
    {
        $plan = self::plan($kind, 80, 70);
        $feeders = (new SiteFeeders($plan))->feeders();
        foreach ($feeders as $feeder) {
            self::assertContains($feeder['from'], $plan->enclosures());
            self::assertContains($feeder['to'], $plan->enclosures());
            self::assertLessThanOrEqual($feeder['ocpd_a'], $feeder['amps']);
            self::assertSame($feeder['from'] === 'meter' ? '1' : '0', $feeder['service']);
        }
        self::assertNotSame([], $feeders);
    }

    /** @return iterable<string, array{InstallationKind}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[Test]
    public function the_generator_feeder_carries_what_the_source_gives(): void
    {
        $feeder = self::ofGenerator(self::plan(InstallationKind::TwoPanels, null, 158.3, 200));
        self::assertSame([158.3, 200.0], [$feeder['amps'] ?? null, $feeder['ocpd_a'] ?? null]);
        $behind = self::ofGenerator(self::plan(InstallationKind::TwoPanels, 100, 158.3, 200));
        self::assertSame([100.0, 100.0], [$behind['amps'] ?? null, $behind['ocpd_a'] ?? null], 'its own breaker lets no more through');
    }

    #[Test, DataProvider('raceways')]
    public function a_new_feeder_begins_with_a_raceway_for_its_device(float $breakerA, string $tradeSize): void
    {
        $feeder = self::ofGenerator(self::plan(InstallationKind::TwoPanels, $breakerA, 2000, 2000));
        self::assertSame($tradeSize, $feeder['trade_size'] ?? null);
    }

    /** @return iterable<array{float, string}> */
    public static function raceways(): iterable
    {
        yield [60.0, '1'];
        yield [70.0, '1-1/4'];
        yield [100.0, '1-1/4'];
        yield [110.0, '2'];
    }

    #[Test]
    public function no_feeder_is_sized_for_a_source_that_nobody_rated(): void
    {
        $plan = self::plan(InstallationKind::TwoPanels, null, null);
        self::assertNull(self::ofGenerator($plan));
        self::assertCount(1, (new SiteFeeders($plan))->waiting());
        self::assertSame([], (new SiteFeeders(self::plan(InstallationKind::TwoPanels, 100, null)))->waiting());
    }

    #[Test]
    public function two_transformers_have_no_generator_feeder_and_wait_for_none(): void
    {
        $plan = self::plan(InstallationKind::ContactorPair, null, null);
        self::assertNull(self::ofGenerator($plan));
        self::assertSame([], (new SiteFeeders($plan))->waiting());
        self::assertSame(['q1', 'q2', 'ats'], array_column((new SiteFeeders($plan))->feeders(), 'from'));
    }

    #[Test]
    public function what_is_there_already_is_not_pulled_again(): void
    {
        foreach ([InstallationKind::EssentialCircuits, InstallationKind::PlugInBox] as $kind) {
            $feeders = (new SiteFeeders(self::plan($kind, 60, 40)))->feeders();
            self::assertNotContains('meter', array_column($feeders, 'from'), 'the service stays');
        }
        self::assertNotContains('box', array_column($feeders, 'to'), 'the leads of a plug-in box are its maker\'s');
    }

    #[Test]
    public function a_further_panel_is_fed_behind_its_breaker(): void
    {
        $plan = new SitePlan(new SitePlanInput(
            InstallationKind::WholeHouse,
            'split',
            120,
            200,
            200,
            isServiceRated: true,
            subPanels: [new SubPanel('sub-1', 'Garage', 'panel', 60, false)],
        ));
        self::assertContains(60.0, array_column((new SiteFeeders($plan))->feeders(), 'ocpd_a', 'to'));
    }

    /** @return null|array<string, mixed> */
    private static function ofGenerator(SitePlan $plan): ?array
    {
        foreach ((new SiteFeeders($plan))->feeders() as $feeder) {
            if ($feeder['from'] === 'gen') {
                return $feeder;
            }
        }

        return null;
    }

    private static function plan(InstallationKind $kind, ?float $breakerA, ?float $legA, ?int $ocpdA = null): SitePlan
    {
        $system = match (true) {
            $kind === InstallationKind::Mobile30 => 'single',
            $kind->isThreePhase() => 'three',
            default => 'split',
        };

        return new SitePlan(new SitePlanInput(
            $kind,
            $system,
            120,
            400,
            400,
            generatorBreakerA: $breakerA,
            sourceLegA: $legA,
            sourceOcpdA: $ocpdA,
        ));
    }
}
