<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Terminations;

use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Terminations\ControlWire;
use Escapement\Core\Terminations\Entry;
use Escapement\Core\Terminations\Feeder;
use Escapement\Core\Terminations\Termination;
use Escapement\Core\Terminations\TerminationPlan;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wiring\Colours\ColourSystem;
use Escapement\Core\Wiring\Sizes;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class TerminationPlanTest extends TestCase
{
    #[Test]
    public function grounds_and_neutrals_come_first_then_the_thick_hots(): void
    {
        foreach (self::house() as $enclosure => $landings) {
            $depth = array_map(static fn(Termination $one): int => ['G' => 0, 'N' => 1][$one->conductor] ?? 2, $landings);
            $sorted = $depth;
            sort($sorted);
            self::assertSame($sorted, $depth, $enclosure);
            $hots = array_values(array_filter($landings, static fn(Termination $one): bool => $one->conductor[0] === 'L'));
            foreach (array_slice($hots, 1) as $i => $hot) {
                self::assertLessThanOrEqual(
                    Sizes::place($hots[$i]->size),
                    Sizes::place($hot->size),
                    "$enclosure: a thinner one never lies below a thicker one",
                );
            }
        }
    }

    #[Test]
    public function each_end_of_each_run_lands_once_and_the_meter_is_the_utilitys(): void
    {
        $house = self::house();
        self::assertSame(['ats', 'gen', 'panel'], self::sorted(array_keys($house)));
        self::assertSame(
            ['Emergency L1', 'Emergency L2', 'Load L1', 'Load L2', 'Normal L1', 'Normal L2'],
            self::sorted(array_unique(array_map(
                static fn(Termination $one): string => $one->terminal,
                array_filter($house['ats'], static fn(Termination $one): bool => $one->conductor[0] === 'L'),
            ))),
        );
        self::assertCount(
            2,
            array_filter($house['ats'], static fn(Termination $one): bool => $one->conductor === 'G'),
            'ahead of the main there is no ground',
        );
    }

    #[Test]
    public function parallel_sets_land_each_on_the_same_lug(): void
    {
        $plan = new TerminationPlan(
            new ColourSystem('us_split_120_240'),
            [new Feeder('Meter to switch', 'meter', 'ats', ['L1', 'L2'], 'al', '4/0', null, 2, 'pvc40', '2', 3)],
        );
        $on = array_count_values(array_map(
            static fn(Termination $one): string => "$one->conductor on $one->terminal",
            $plan->enclosures()['ats'],
        ));
        self::assertEquals(['L1 on Normal L1' => 2, 'L2 on Normal L2' => 2, 'N on Neutral bar' => 2], $on);
    }

    /** @param list<string> $phases */
    #[Test, DataProvider('systems')]
    public function what_is_proposed_passes_its_own_check_of_colours(string $system, array $phases, string $size): void
    {
        $plan = new TerminationPlan(
            new ColourSystem($system),
            [new Feeder('Feeder', 'ats', 'panel', $phases, 'cu', $size, '8', 1, 'emt', '1', 3)],
        );
        foreach ($plan->enclosures() as $landings) {
            $answer = (new Calculations())->calc(
                'colours',
                Node::fromArray([
                    'system' => $system,
                    'landings' => array_map(
                        static fn(Termination $one): array => [
                            'conductor' => $one->conductor,
                            'terminal' => $one->on,
                            'colour' => $one->colour,
                            'reid' => $one->reid,
                            'size' => $one->size,
                        ],
                        $landings,
                    ),
                ]),
            );
            self::assertSame(
                ['confirm-by-test'],
                array_map(
                    static fn(mixed $finding): string => is_array($finding) ? (string) $finding['id'] : '',
                    (array) $answer['findings'],
                ),
            );
            self::assertTrue($answer['passes']);
        }
    }

    /** @return iterable<string, array{string, list<string>, string}> */
    public static function systems(): iterable
    {
        foreach (['6', '4', '3/0'] as $size) {
            yield "a house, $size" => ['us_split_120_240', ['L1', 'L2'], $size];
            yield "three phases of 208 V, $size" => ['us_208y_120', ['L1', 'L2', 'L3'], $size];
            yield "three phases of 480 V, $size" => ['us_480y_277', ['L1', 'L2', 'L3'], $size];
            yield "three phases of 400 V, $size" => ['iec_400_230', ['L1', 'L2', 'L3'], $size];
            yield "a vehicle of one hot, $size" => ['mobile_30a', ['L1'], $size];
            yield "a vehicle of two, $size" => ['mobile_50a', ['L1', 'L2'], $size];
        }
    }

    #[Test]
    public function a_bushing_is_asked_for_from_4_awg_on_and_a_seal_outdoors(): void
    {
        $entries = Entry::of([
            new Feeder('Thick', 'gen', 'ats', ['L1'], 'cu', '4', null, 2, 'emt', '1-1/4', 3),
            new Feeder('Thin', 'ats', 'panel', ['L1'], 'cu', '6', null, 1, 'emt', '3/4', 3),
        ]);
        self::assertSame([true, true, false, false], array_column($entries, 'isBushed'));
        self::assertSame([true, false, false, false], array_column($entries, 'isSealed'));
        self::assertSame([2, 2, 1, 1], array_column($entries, 'pieces'));
        self::assertSame([1.75, 1.75, 1.125, 1.125], array_column($entries, 'knockOutIn'));
    }

    #[Test]
    public function the_house_with_factory_wiring_has_jumpers_and_a_vehicle_none(): void
    {
        self::assertNotSame([], ControlWire::jumpers(InstallationKind::FactoryControl));
        self::assertSame([], [...ControlWire::usual(InstallationKind::Mobile50), ...ControlWire::jumpers(InstallationKind::Mobile50)]);
        foreach ([InstallationKind::WholeHouse, InstallationKind::PlugInBox, InstallationKind::FactoryControl] as $kind) {
            self::assertStringContainsString('Start pair', ControlWire::usual($kind)[0]->function);
        }
    }

    /** @return array<string, list<Termination>> */
    private static function house(): array
    {
        return (new TerminationPlan(new ColourSystem('us_split_120_240'), [
            new Feeder('Meter to switch', 'meter', 'ats', ['L1', 'L2'], 'al', '4/0', null, 1, 'pvc40', '2', 3),
            new Feeder('Switch to panel', 'ats', 'panel', ['L1', 'L2'], 'al', '4/0', '4', 1, 'pvc40', '2', 3),
            new Feeder('Generator to switch', 'gen', 'ats', ['L1', 'L2'], 'cu', '3', '8', 1, 'pvc40', '1', 15),
        ]))->enclosures();
    }

    /**
     * @param array<mixed> $words
     *
     * @return list<mixed>
     */
    private static function sorted(array $words): array
    {
        sort($words);

        return $words;
    }
}
