<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\Procedure\Derived;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wire\ProcedureReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the second edition of the procedure asks, and that a run keeps the edition it was begun under. */
final class EditionTest extends TestCase
{
    #[Test, DataProvider('kinds')]
    public function no_step_asks_for_work_on_live_parts_and_each_with_a_meter_on_live_equipment_shows_its_hazard(string $kind): void
    {
        foreach (self::steps($kind, ['contact_resistance' => true, 'contact_test_points' => true, 'load_bank' => true]) as $id => $step) {
            if (str_starts_with($id, 'dead_checks/contact') || str_starts_with($id, 'dead_checks/bond')) {
                self::assertStringContainsString('proved dead', (string) $step['hazard'], $id);
            }
            if (str_starts_with($id, 'on_load_checks/contact')) {
                self::assertStringContainsString('covers on', (string) $step['hazard'], $id);
            }
        }
        self::assertArrayNotHasKey('on_load_checks/contact-drop-L1', self::steps($kind, ['contact_resistance' => true]));
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (InstallationKind::cases() as $kind) {
            yield $kind->value => [$kind->value];
        }
    }

    #[Test]
    public function every_sub_panel_has_its_neutral_lifted_before_the_one_bond_is_proved(): void
    {
        $places = [
            'sub_panels' => [['id' => 'east', 'name' => 'Panel east'], ['id' => 'west', 'name' => 'Panel west']],
            'bond_place' => 'Transfer switch',
        ];
        $steps = self::steps('K3', [], ['bond_places' => $places]);
        self::assertSame(
            'Lift the feeder neutral at Panel west: neutral bar to ground bar',
            $steps['dead_checks/bonds-by-lifting-west']['title'],
        );
        self::assertContains('dead_checks/bonds-by-lifting-east', $steps['dead_checks/bond-one']['depends_on']);
        self::assertStringContainsString('Transfer switch', $steps['dead_checks/bond-one']['title']);
        self::assertTrue($steps['dead_checks/bonds-by-lifting-east']['hold']);
        self::assertContains('dead_checks/bond-one', $steps['energise/close-utility']['depends_on']);
    }

    #[Test]
    public function a_sound_portable_passes_its_hold_and_a_permanent_set_does_not_with_the_same_figures(): void
    {
        $inBand = static function (string $kind, string $step, float $value): bool {
            $band = self::steps($kind, [])[$step]['band'];

            return $value >= $band['min'] && $value <= $band['max'];
        };
        foreach (['K4', 'K5', 'K6'] as $portable) {
            self::assertTrue($inBand($portable, 'no_load_run/generator-volts-L1', 129.0), $portable);
            self::assertTrue($inBand($portable, 'no_load_run/generator-hz', 62.0), $portable);
        }
        self::assertFalse($inBand('K1', 'no_load_run/generator-volts-L1', 129.0));
        self::assertFalse($inBand('K1', 'no_load_run/generator-hz', 62.0));
        self::assertTrue(self::steps('K4', [])['no_load_run/generator-hz']['hold']);
    }

    #[Test]
    public function the_class_of_a_system_brings_its_documents_and_its_seconds(): void
    {
        self::assertArrayNotHasKey('simulated_outage/class-time', self::steps('K8', []));
        self::assertSame(
            10.0,
            (float) self::steps('K8', ['system_class' => 'emergency'])['simulated_outage/class-time']['band']['stop_over'],
        );
        self::assertSame(
            60.0,
            (float) self::steps('K8', ['system_class' => 'legally_required'])['simulated_outage/class-time']['band']['stop_over'],
        );
        self::assertArrayHasKey('inspect/class-facts', self::steps('K8', ['system_class' => 'emergency']));
    }

    #[Test]
    public function alarms_are_asked_of_permanent_sets_and_not_fitted_is_no_pass(): void
    {
        foreach (['K1', 'K2', 'K3', 'K8', 'K9', 'K10'] as $kind) {
            self::assertSame(
                ['shutdown', 'not fitted', 'did not come'],
                array_column((array) self::steps($kind, [])['protections/alarm-low-oil']['choices'], 'words'),
                $kind,
            );
        }
        foreach (['K4', 'K5', 'K6', 'K7'] as $kind) {
            self::assertArrayNotHasKey('protections/alarm-low-oil', self::steps($kind, []), $kind);
        }
    }

    #[Test]
    public function a_run_keeps_the_edition_it_was_begun_under(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $work = [
            'kind' => 'K1',
            'system' => $template->plant()->toArray(),
            'settings' => $template->settings()->toWire(),
            'isolation' => ['upstream' => 'utility', 'inspection' => 'no'],
        ];
        $ids = static fn(Node $node): array => array_column((new ProcedureReader())->procedure($node->object())->steps(), 'id');
        $old = $ids(ProcedureReader::asBegun(Node::fromArray($work)));
        $new = $ids(ProcedureReader::asBegun(Node::fromArray($work + ['edition' => 2])));
        self::assertContains('inspect/bonds', $old);
        self::assertNotContains('dead_checks/bond-one', $old);
        self::assertContains('dead_checks/bond-one', $new);
        self::assertNotContains('inspect/bonds', $new);
    }

    #[Test]
    public function a_contact_is_judged_against_its_side_and_a_drop_by_its_current(): void
    {
        $side = static fn(string $side, float ...$mohm): array => array_combine(
            array_map(static fn(int $i): string => "dead_checks/contact-resistance-$side-L" . ($i + 1), array_keys($mohm)),
            $mohm,
        );
        self::assertNull(Derived::of('dead_checks/contact-spread', []));
        self::assertSame(1.5, Derived::of('dead_checks/contact-spread', $side('normal', 2, 3) + $side('emergency', 4, 4))?->value);
        $at = static fn(float $mv, float $a): ?float => Derived::of(
            'on_load_checks/contact-drop-at-points-L1',
            ['on_load_checks/contact-point-mv-L1' => $mv, 'on_load_checks/contact-point-a-L1' => $a],
            200.0,
        )?->value;
        self::assertSame(40.0, $at(10.0, 50.0));
        self::assertNull($at(10.0, 49.9), 'below a quarter of the rated current there is no verdict');
    }

    /**
     * @param array<string, mixed> $options
     * @param array<string, mixed> $more
     *
     * @return array<string, array<string, mixed>> by id
     */
    private static function steps(string $kind, array $options, array $more = []): array
    {
        $template = new SheetTemplate(InstallationKind::from($kind));
        $answer = (new Calculations())->calc('procedure', Node::fromArray($more + [
            'kind' => $kind,
            'system' => $template->plant()->toArray(),
            'settings' => $template->settings()->toWire(),
            'options' => (object) $options,
        ]));

        return array_column(array_merge(...array_column($answer['stages'], 'steps')), null, 'id');
    }
}
