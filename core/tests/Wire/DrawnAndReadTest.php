<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\Node;
use Escapement\Core\Planning\SiteBonding;
use Escapement\Core\Planning\SitePlan;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Tests\Planning\GoldenPlans;
use Escapement\Core\Wire\Topology\BondingReader;
use Escapement\Core\Wire\Topology\BondingWriter;
use Escapement\Core\Wire\Topology\OneLineReader;
use Escapement\Core\Wire\Topology\OneLineWriter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is written is read as the same: a plan that leaves the house, and every drawing and every bonding of the rules. */
final class DrawnAndReadTest extends TestCase
{
    #[Test]
    public function a_plan_of_every_kind_comes_back_as_it_left(): void
    {
        foreach (GoldenPlans::all() as $name => $plan) {
            $known = new SitePlan($plan->in, ['panel' => 9.5, 'ats' => 8.25, 'q1' => 9.9, 'gen' => 3.0]);
            $drawn = self::onTheWire((new OneLineWriter())->drawing($known->oneLine()));
            self::assertEquals($known->oneLine(), (new OneLineReader())->whole($drawn), $name);
            $bonds = (new SiteBonding($plan))->model();
            self::assertEquals($bonds, (new BondingReader())->model(self::onTheWire((new BondingWriter())->model($bonds))), $name);
        }
    }

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('drawings')]
    public function a_drawing_of_the_rules_comes_back_as_it_left(array $input): void
    {
        $read = (new OneLineReader())->whole(self::onTheWire($input));
        $written = self::onTheWire((new OneLineWriter())->drawing($read));
        self::assertEquals($read, (new OneLineReader())->whole($written));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function drawings(): iterable
    {
        yield from self::readable('topology');
        yield 'everything that is not usual' => [[
            'system' => 'three', 'volts_ll' => 480, 'planned_test_point' => 'd', 'facts' => ['dwelling' => true, 'surge_device' => false],
            'elements' => [
                [
                    'id' => 'g', 'type' => 'source', 'kind' => 'generator', 'breaker_a' => 63.5, 'available_fault_ka' => 4.2,
                    'emergency_stop' => false,
                ],
                ['id' => 'i', 'type' => 'source', 'kind' => 'inverter', 'grid_interactive' => true],
                ['id' => 'b', 'type' => 'battery'],
                ['id' => 'c', 'type' => 'charger', 'inhibited_by' => ['g', 'i']],
                [
                    'id' => 'd', 'type' => 'disconnect', 'rating_a' => 60, 'closed' => false, 'service' => true, 'load_break' => false,
                    'aic_ka' => 10, 'fault_ka' => 9, 'gfp' => true,
                ],
                [
                    'id' => 's', 'type' => 'switch', 'kind' => 'changeover_handle', 'poles' => 4, 'neutral' => 'overlapping',
                    'service_rated' => true, 'has_off' => true, 'rating_a' => 100, 'withstand_ka' => 22, 'main_a' => 80,
                    'main_closed' => false, 'sense_at' => 'normal_terminals', 'mechanical_interlock' => false, 'main_aic_ka' => 14,
                    'fault_ka' => 8, 'withstand_basis' => 'fuse', 'withstand_device_ok' => false, 'rating_marked' => true, 'gfp' => false,
                    'transition' => 'closed', 'utility_agreement' => true, 'system_class' => 'emergency', 'listed' => true,
                    'electrically_held' => false,
                ],
                [
                    'id' => 'p', 'type' => 'panel', 'role' => 'main', 'rating_a' => 100, 'main_a' => 100, 'main_closed' => false,
                    'service' => true, 'aic_ka' => 10, 'series_ka' => 22, 'main_aic_ka' => 12, 'fault_ka' => 7, 'gfp' => true,
                    'breakers' => [['id' => 'x', 'rating_a' => 20, 'poles' => 3, 'closed' => false, 'aic_ka' => 6]],
                ],
                ['id' => 'h', 'type' => 'shed', 'closed' => false],
                ['id' => 'l', 'type' => 'load', 'phases' => ['L1', 'L3'], 'va' => 1200],
            ],
            'links' => [
                ['from' => 'b', 'to' => 'i'], ['from' => 'c', 'to' => 'b'], ['from' => 'g', 'to' => 's.emergency'],
                ['from' => 'd.out', 'to' => 's.normal'], ['from' => 's', 'to' => 'p'], ['from' => 'p.x', 'to' => 'h'],
                ['from' => 'p.bus', 'to' => 'c'], ['from' => 'h', 'to' => 'l'],
            ],
            'interlocks' => [['members' => ['s.main', 'p.x']]], 'isolations' => [['open' => ['d', 'g']]],
        ]];
    }

    /** @param array<string, mixed> $input */
    #[Test, DataProvider('bondings')]
    public function a_bonding_of_the_rules_comes_back_as_it_left(array $input): void
    {
        $read = (new BondingReader())->model(self::onTheWire($input));
        self::assertEquals($read, (new BondingReader())->model(self::onTheWire((new BondingWriter())->model($read))));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function bondings(): iterable
    {
        yield from self::readable('bonding');
    }

    /** @return iterable<string, array{array<string, mixed>}> the cases of the rules that are no mistakes */
    private static function readable(string $name): iterable
    {
        foreach (CaseFile::read('topology') as $case => [$given]) {
            if ($given->calc === $name && ! isset($given->expect->error)) {
                yield $case => [(array) CaseFile::asArray($given->input)];
            }
        }
    }

    /** @param array<string, mixed> $array */
    private static function onTheWire(array $array): Node
    {
        return Node::fromJson(json_encode($array, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}
