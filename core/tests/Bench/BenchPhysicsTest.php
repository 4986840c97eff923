<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Bench\BenchGenerator;
use Escapement\Core\Bench\GeneratorModel;
use Escapement\Core\Bench\ReadyHands;
use Escapement\Core\Bench\SlowThings;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Engine\EngineState;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The set of the bench by its formulas, worked out here a second time; and the stories that come with it, by what they teach. */
final class BenchPhysicsTest extends TestCase
{
    private const KW = 20.0;

    #[Test]
    public function a_step_dips_the_volts_and_the_governor_finds_back(): void
    {
        $model = new GeneratorModel(self::set());
        $model->carry(0, true, ['pump' => [4.0, 12.0]], 3.2, 2.4);
        $k = 25.0 / 0.2; // kVA over reactance
        $dip = 12.0 / (12.0 + $k);
        self::assertEqualsWithDelta($dip, $model->worstDip, 1e-12);
        foreach ([0, 100, 300, 500, 2000, 30_000] as $t) {
            $x = $t / 300;
            $y = $t / 500;
            $v = 1 - ($dip * exp(-$x) + 0.03 * 4.0 / 25 * (1 - exp(-$x)));
            $hz = 1 - (0.08 * 3.2 / 20 * $y * exp(1 - $y) + 0.04 * 3.2 / 20 * (1 - exp(-$y)));
            self::assertEqualsWithDelta([$v, $hz], $model->parts($t), 1e-12, "at $t ms");
        }
    }

    #[Test]
    public function what_grows_steps_by_what_it_grew_and_what_leaves_lifts(): void
    {
        $model = new GeneratorModel(self::set());
        $k = 125.0;
        $model->carry(0, true, ['a' => [4.0, 0.0]], 4, 0);
        $model->carry(40_000, true, ['a' => [6.0, 9.0]], 6, 0);
        self::assertEqualsWithDelta(1 - 0.03 * 4 / 25 - 2 / (2 + $k), $model->parts(40_000)[0], 1e-9, 'two more, whatever it starts with');
        $model->carry(80_000, true, ['b' => [3.0, 5.0]], 3, 0);
        self::assertEqualsWithDelta(
            1 - 0.03 * 6 / 25 - (5 / (5 + $k) - 6 / (6 + $k)),
            $model->parts(80_000)[0],
            1e-9,
            'one came, one left',
        );
        self::assertEqualsWithDelta(4 / (4 + $k), $model->worstDip, 1e-12, 'the deepest single one so far');
        $model->carry(120_000, true, ['b' => [2.0, 5.0]], 2, 0);
        self::assertEqualsWithDelta(1 - 0.03 * 3 / 25 + 1 / (1 + $k), $model->parts(120_000)[0], 1e-9, 'one less lifts');
        $model->carry(160_000, false, [], 0, 0);
        self::assertSame([[1.0, 1.0], 0.0, 0.0], [$model->parts(160_000), $model->kw, $model->kvar], 'all is forgotten as it stops');
    }

    #[Test]
    public function a_step_long_ago_is_its_final_value_whether_another_came_or_not(): void
    {
        $once = new GeneratorModel(self::set());
        $once->carry(0, true, ['a' => [10.0, 10.0]], 8, 6);
        $twice = new GeneratorModel(self::set());
        $twice->carry(0, true, ['a' => [10.0, 10.0]], 8, 6);
        $twice->carry(3_600_000, true, ['a' => [10.0, 10.0], 'b' => [1.0, 1.0]], 9, 6);
        [$v, $hz] = $twice->parts(3_600_000);
        self::assertEqualsWithDelta($once->parts(3_600_000), [$v + 1 / 126, $hz], 1e-12);
        self::assertEqualsWithDelta(1 - 0.04 * 8 / 20, $hz, 1e-12);
    }

    /** @param list<array{EngineState, bool, float, int}> $spans engine, charger, part of its rating, s */
    #[Test, DataProvider('spans')]
    public function slow_things_follow_their_time_constants(array $spans, string $what, float $expected): void
    {
        $slow = new SlowThings(self::set());
        $t = 0;
        foreach ($spans as [$engine, $isCharging, $part, $s]) {
            $slow->stand($engine, $isCharging, $part);
            $slow->until($t += 1000 * $s);
        }
        $is = match ($what) {
            'volts' => $slow->batteryV(),
            'soc' => $slow->soc,
            'tank' => (float) $slow->fuelPct(),
            'oil pressure' => $slow->oilKpa(1.0),
            default => $slow->heat[$what],
        };
        self::assertEqualsWithDelta($expected, $is, 1e-9);
    }

    /** @return iterable<string, array{list<array{EngineState, bool, float, int}>, string, float}> */
    public static function spans(): iterable
    {
        [$runs, $cranks, $stands] = [EngineState::Running, EngineState::Cranking, EngineState::Stopped];
        $coolant = static fn(float $s, float $part): float => 82 + 10 * $part + (15 - 82 - 10 * $part) * exp(-$s / 240);
        yield 'coolant without load' => [[[$runs, false, 0.0, 240]], 'coolant_c', $coolant(240, 0)];
        yield 'coolant at three quarters' => [[[$runs, false, 0.75, 600]], 'coolant_c', $coolant(600, 0.75)];
        yield 'oil' => [[[$runs, false, 0.5, 420]], 'oil_c', 92.5 + (15 - 92.5) * exp(-1)];
        yield 'exhaust' => [[[$runs, false, 1.0, 90]], 'exhaust_c', 500 + (15 - 500) * exp(-2)];
        yield 'exhaust cools' => [[[$runs, false, 1.0, 3600], [$stands, false, 0.0, 600]], 'exhaust_c', 15 + 485 * exp(-1)];
        yield 'coolant cools' => [[[$runs, false, 0.0, 36_000], [$stands, false, 0.0, 3600]], 'coolant_c', 15 + 67 * exp(-1)];
        yield 'oil cools' => [[[$runs, false, 0.0, 36_000], [$stands, false, 0.0, 3600]], 'oil_c', 15 + 70 * exp(-1)];
        yield 'charge while it runs' => [[[$runs, false, 0.0, 7200]], 'soc', 1 - 0.4 * exp(-1)];
        yield 'charge on the charger' => [[[$stands, true, 0.0, 3600]], 'soc', 1 - 0.4 * exp(-0.5)];
        yield 'charge while it cranks, charger or not' => [[[$cranks, true, 0.0, 100]], 'soc', 0.55];
        yield 'charge at rest' => [[[$stands, false, 0.0, 100_000]], 'soc', 0.58];
        yield 'empty is empty' => [[[$cranks, false, 0.0, 10_000]], 'soc', 0.0];
        yield 'volts while it cranks' => [[[$cranks, false, 0.0, 0]], 'volts', 2 * (9.6 + 1.4 * 0.6)];
        yield 'volts while it runs' => [[[$runs, false, 0.0, 0]], 'volts', 2 * (13.4 + 0.6 * 0.6)];
        yield 'volts on the charger' => [[[$stands, true, 0.0, 0]], 'volts', 2 * (13.0 + 0.5 * 0.6)];
        yield 'volts at rest' => [[[$stands, false, 0.0, 0]], 'volts', 2 * (11.8 + 0.9 * 0.6)];
        yield 'oil pressure cold' => [[[$runs, false, 0.0, 0]], 'oil pressure', 480.0];
        yield 'oil pressure warm' => [[[$runs, false, 0.0, 36_000]], 'oil pressure', 480 - 2 * 65.0];
        yield 'oil pressure while it cranks' => [[[$cranks, false, 0.0, 0]], 'oil pressure', 60.0];
        yield 'oil pressure at rest' => [[[$stands, false, 0.0, 0]], 'oil pressure', 0.0];
        yield 'tank at rest' => [[[$stands, false, 0.0, 36_000]], 'tank', 40.0];
        yield 'a tank runs dry and no further' => [[[$runs, false, 1.0, 3_600_000]], 'tank', 0.0];
    }

    #[Test]
    public function a_tank_falls_by_what_is_burnt(): void
    {
        $slow = new SlowThings(self::set());
        $slow->stand(EngineState::Running, false, 0.5);
        $rate = (float) $slow->rate['gal_h'];
        self::assertGreaterThan(0.5, $rate);
        $slow->until(3_600_000);
        self::assertEqualsWithDelta(40.0 - $rate, (float) $slow->fuelPct(), 1e-9, 'of a hundred gallons a gallon is a hundredth');
        $gas = new SlowThings(self::set('natural_gas', null));
        self::assertNull($gas->fuelPct());
        self::assertNull($gas->rate['gal_h']);
    }

    /** @param \Closure(array<string, mixed>): bool $teaches */
    #[Test, DataProvider('stories')]
    public function a_ready_story_teaches_what_it_says(InstallationKind $kind, string $story, \Closure $teaches): void
    {
        self::assertTrue($teaches(self::played($kind, $story)));
    }

    /** @return iterable<string, array{InstallationKind, string, \Closure(array<string, mixed>): bool}> */
    public static function stories(): iterable
    {
        $ids = static fn(array $played): array => array_column($played['findings'], 'id');
        $kinds = static fn(array $played): array => array_column($played['events'], 'kind');
        $went = static fn(array $played): bool => $played['metrics']['transfers_to_emergency'] === 1
            && $played['final']['position'] === 'normal';
        foreach ([InstallationKind::WholeHouse, InstallationKind::Mobile50, InstallationKind::ContactorPair] as $kind) {
            $all = (new ReadyHands((new SheetTemplate($kind))->plant()->kind, 2))->all();
            self::assertSame(
                array_keys($all),
                match ($kind) {
                    InstallationKind::WholeHouse => [
                        'outage', 'panel-main', 'reversed', 'breaker', 'fuel', 'off', 'handle-auto', 'handle-live',
                    ],
                    InstallationKind::Mobile50 => ['outage', 'panel-main', 'reversed', 'breaker', 'fuel'],
                    default => ['outage', 'panel-main', 'reversed', 'off', 'handle-auto', 'handle-live'],
                },
                $kind->value,
            );
            yield "$kind->value, outage" => [
                $kind, 'outage', static fn(array $played): bool => $went($played) && $ids($played) === [],
            ];
            yield "$kind->value, panel main" => [
                $kind, 'panel-main',
                static fn(array $played): bool => $ids($played) === ['panel-main-is-no-test']
                    && ! in_array('switch_closed', $kinds($played), true),
            ];
            yield "$kind->value, transformer" => [
                $kind, 'reversed', static fn(array $played): bool => $went($played) && $ids($played) === ['ct-left-reversed'],
            ];
        }
        $house = InstallationKind::WholeHouse;
        $firstAt = static fn(array $played, string $kind): int => array_column(
            array_filter($played['events'], static fn(array $event): bool => $event['kind'] === $kind),
            't_ms',
        )[0] ?? -1;
        yield 'breaker left open' => [
            $house, 'breaker', static fn(array $played): bool => $firstAt($played, 'switch_closed') > 90_000 && $went($played),
        ];
        yield 'fuel' => [
            $house, 'fuel', static fn(array $played): bool => in_array('fuel-starved', $ids($played), true)
                && $firstAt($played, 'engine_locked_out') === 93_000,
        ];
        yield 'selector left off' => [
            $house, 'off', static fn(array $played): bool => $ids($played) === ['left-not-in-auto']
                && ! in_array('start_contact_closed', $kinds($played), true),
        ];
        yield 'handle at auto' => [
            $house, 'handle-auto', static fn(array $played): bool => $ids($played) === ['handle-refused']
                && $firstAt($played, 'handle_refused') === 15_000,
        ];
        yield 'handle under voltage' => [
            $house, 'handle-live', static fn(array $played): bool => in_array('handle-under-voltage', $ids($played), true)
                && $played['final']['position'] === 'emergency',
        ];
    }

    /** @return array<string, mixed> */
    private static function played(InstallationKind $kind, string $story): array
    {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();
        $told = (new ReadyHands($plant->kind, $plant->normal->phases))->all()[$story];
        $input = [
            'system' => $plant->toArray(), 'settings' => $template->settings()->toWire(),
            'loads' => [['id' => 'pump', 'kw' => 3, 'priority' => 1, 'shed' => false]],
            'bench' => ($plant->kind->hasEngine() ? ['generator' => ['rated_kw' => 18, 'fuel' => 'lp', 'tank_gal' => 250]] : []),
            'inputs' => $told['inputs'], 'sample_at_ms' => [], 'until_ms' => $told['until_ms'],
        ];
        $input['bench'] = (object) $input['bench'];

        return (new Calculations())->calc('bench_play', Node::fromJson(json_encode($input, JSON_THROW_ON_ERROR)));
    }

    private static function set(string $fuel = 'lp', ?float $tankGal = 100.0): BenchGenerator
    {
        return new BenchGenerator(self::KW, 0.2, 300, 500, 3, 4, 8, 25, $fuel, $tankGal, 40, 3000, 24, 0.6, 15, 0, 0);
    }
}
