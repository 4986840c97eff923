<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Planning;

use Escapement\Core\Planning\PlanLoad;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Planning\SitePlanInput;
use Escapement\Core\Planning\SubPanel;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Upstream;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Bonds are moved by what was seen, and never on a guess. */
final class SiteBondingTest extends TestCase
{
    #[Test, DataProvider('knowledge')]
    public function nothing_is_proposed_while_one_bond_is_not_known(
        InstallationKind $kind,
        ?bool $neutral,
        ?bool $generator,
        ?bool $panel,
        ?bool $service,
    ): void {
        $bonding = new SiteBonding(self::plan($kind, $neutral, $generator, $panel, $service));
        $isUnknown = $neutral === null || $generator === null || $panel === null;
        self::assertSame($isUnknown, ! $bonding->isKnown());
        if ($isUnknown) {
            self::assertSame([], $bonding->moves());
            self::assertSame(0, $bonding->groundsToMove());
            self::assertContains('bonds-not-surveyed', array_column($bonding->findings, 'id'));

            return;
        }
        foreach (is_array($bonding->values['after']) ? $bonding->values['after'] : [] as $after) {
            self::assertSame('ok', $after['verdict']);
        }
    }

    /** @return iterable<string, array{InstallationKind, ?bool, ?bool, ?bool, bool}> */
    public static function knowledge(): iterable
    {
        $words = static fn(?bool $fact): string => $fact === null ? '?' : ($fact ? 'in' : 'out');
        foreach (InstallationKind::cases() as $kind) {
            foreach ([null, false, true] as $neutral) {
                foreach ([null, false, true] as $generator) {
                    foreach ([null, false, true] as $panel) {
                        yield "$kind->value: neutral {$words($neutral)}, generator {$words($generator)}, panel {$words($panel)}" => [
                            $kind,
                            $neutral,
                            $generator,
                            $panel,
                            true,
                        ];
                    }
                }
            }
        }
    }

    /**
     * The panel of a vehicle is never bonded, each supply has its own bond, and the neutral is switched: with the shore cord out one bond
     * is left.
     */
    #[Test, DataProvider('vehicles')]
    public function a_vehicle_keeps_one_bond_with_the_shore_cord_out(
        InstallationKind $kind,
        bool $isBattery,
        bool $neutral,
        bool $source,
        bool $panel,
    ): void {
        $bonding = new SiteBonding(self::plan($kind, $neutral, $source, $panel, null, $isBattery));
        $actions = array_map(
            static fn(array $one): string => "{$one['action']} {$one['at']}",
            is_array($bonding->values['actions']) ? $bonding->values['actions'] : [],
        );
        self::assertNotContains('remove-bond gen', $actions, 'with shore unplugged none would be left');
        self::assertSame($panel, in_array('remove-bond panel', $actions, true));
        self::assertSame(! $neutral, in_array('use-switched-neutral ats', $actions, true));
        self::assertSame(! $source, in_array('add-bond gen', $actions, true));
        self::assertNotContains('add-bond panel', $actions);
        self::assertSame(
            [],
            array_filter($actions, static fn(string $action): bool => str_contains($action, 'electrode')),
            'a vehicle has no electrode',
        );
        self::assertContains('gen', $bonding->bondedAfter());
        self::assertNotContains('panel', $bonding->bondedAfter());
        self::assertSame(! $neutral, in_array('mobile-neutral-not-switched', array_column($bonding->findings, 'id'), true));
    }

    /** @return iterable<string, array{InstallationKind, bool, bool, bool, bool}> */
    public static function vehicles(): iterable
    {
        foreach ([InstallationKind::Mobile30, InstallationKind::Mobile50] as $kind) {
            for ($bits = 0; $bits < 16; $bits++) {
                yield "$kind->value " . sprintf('%04b', $bits) => [
                    $kind, (bool) ($bits & 8), (bool) ($bits & 4), (bool) ($bits & 2), (bool) ($bits & 1),
                ];
            }
        }
    }

    #[Test]
    public function a_bonded_vehicle_panel_is_said_even_while_the_rest_is_not_known(): void
    {
        $bonding = new SiteBonding(self::plan(InstallationKind::Mobile50, null, null, true, null));
        self::assertContains('mobile-panel-bonded', array_column($bonding->findings, 'id'));
    }

    #[Test]
    public function a_service_rated_switch_takes_the_bond_from_the_panel(): void
    {
        $actions = self::actions(self::plan(InstallationKind::WholeHouse, false, true, true, null, isServiceRated: true));
        self::assertContains('remove-bond panel', $actions);
        self::assertContains('add-bond ats', $actions);
        self::assertContains('remove-bond gen', $actions, 'P3: a solid neutral and a utility');
    }

    #[Test, DataProvider('untouchedServices')]
    public function where_the_service_stays_so_does_its_electrode(InstallationKind $kind, ?Upstream $upstream): void
    {
        $plan = self::plan($kind, false, false, $upstream !== Upstream::Combined, true, upstream: $upstream);
        self::assertSame([], array_filter(self::actions($plan), static fn(string $action): bool => str_contains($action, 'electrode')));
    }

    /** @return iterable<string, array{InstallationKind, ?Upstream}> */
    public static function untouchedServices(): iterable
    {
        foreach ([InstallationKind::EssentialCircuits, InstallationKind::PlugInBox] as $kind) {
            foreach ([null, ...Upstream::cases()] as $upstream) {
                yield $kind->value . ' ' . ($upstream->value ?? 'not known') => [$kind, $upstream];
            }
        }
    }

    #[Test]
    public function the_electrode_conductor_moves_only_from_where_somebody_saw_it(): void
    {
        $seen = static fn(?string $at): array => self::actions(self::plan(
            InstallationKind::WholeHouse,
            false,
            false,
            true,
            null,
            isServiceRated: true,
            electrodeAt: $at,
        ));
        self::assertContains('move-electrode-conductor panel', $seen('panel'));
        foreach ([null, 'meter'] as $at) {
            self::assertSame(
                [],
                array_filter($seen($at), static fn(string $action): bool => str_contains($action, 'electrode')),
                (string) $at,
            );
        }
    }

    #[Test]
    public function a_bond_left_in_a_further_panel_shows_and_one_nobody_saw_stops_the_proposal(): void
    {
        $with = static fn(?bool $isBonded): SiteBonding => new SiteBonding(new SitePlan(new SitePlanInput(
            InstallationKind::WholeHouse,
            'split',
            120,
            200,
            200,
            isServiceRated: true,
            isNeutralSwitched: false,
            isGeneratorBonded: false,
            isPanelBonded: true,
            subPanels: [new SubPanel('sub-1', 'Shed', 'panel', 60, $isBonded)],
        )));
        self::assertContains(
            'remove-bond sub-1',
            array_map(static fn(array $one): string => "{$one['action']} {$one['at']}", $with(true)->values['actions']),
        );
        self::assertSame(['the bond in Shed'], $with(null)->unknown);
    }

    /** @return list<string> */
    private static function actions(SitePlan $plan): array
    {
        $actions = (new SiteBonding($plan))->values['actions'];

        return array_map(static fn(array $one): string => "{$one['action']} {$one['at']}", is_array($actions) ? $actions : []);
    }

    private static function plan(
        InstallationKind $kind,
        ?bool $neutral,
        ?bool $source,
        ?bool $panel,
        ?bool $service,
        bool $isBattery = false,
        bool $isServiceRated = false,
        ?Upstream $upstream = null,
        ?string $electrodeAt = null,
    ): SitePlan {
        $system = match (true) {
            $kind === InstallationKind::Mobile30 => 'single',
            $kind->isThreePhase() => 'three',
            default => 'split',
        };

        return new SitePlan(new SitePlanInput(
            $kind,
            $system,
            120,
            100,
            100,
            $isServiceRated,
            isNeutralSwitched: $neutral,
            isBattery: $isBattery,
            isGeneratorBonded: $source,
            isPanelBonded: $panel,
            isServiceBonded: $service,
            electrodeAt: $electrodeAt,
            upstream: $upstream,
            loads: [new PlanLoad('Always on', 1.2, 'L1', true)],
        ));
    }
}
