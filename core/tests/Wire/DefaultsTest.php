<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Finding\CalculationResult;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\BatteryRuntime;
use Escapement\Core\Power\BatteryRuntimeInput;
use Escapement\Core\Power\Fuel\FuelInput;
use Escapement\Core\Power\Fuel\FuelRun;
use Escapement\Core\Power\Fuel\GasPipe;
use Escapement\Core\Power\Fuel\GasPressure;
use Escapement\Core\Power\Fuel\GasSupply;
use Escapement\Core\Power\Fuel\Tank;
use Escapement\Core\Power\Fuel\VapourTank;
use Escapement\Core\Power\LegLoad;
use Escapement\Core\Power\Motor\Motor;
use Escapement\Core\Power\Motor\MotorStart;
use Escapement\Core\Power\Motor\MotorStartInput;
use Escapement\Core\Power\Motor\StartSource;
use Escapement\Core\Power\Rating\GeneratorRating;
use Escapement\Core\Power\Rating\GeneratorRatingInput;
use Escapement\Core\Power\Rating\InverterRating;
use Escapement\Core\Power\Rating\InverterRatingInput;
use Escapement\Core\Power\Restart\RestartLoad;
use Escapement\Core\Power\Restart\StepSequence;
use Escapement\Core\Power\Restart\StepSequenceInput;
use Escapement\Core\Power\ShedLoad;
use Escapement\Core\Power\ShedPlan;
use Escapement\Core\Power\ShedPlanInput;
use Escapement\Core\Power\StationLoad;
use Escapement\Core\Tests\Answers;
use Escapement\Core\Tests\CaseFile;
use Escapement\Core\Wiring\Torque\Torque;
use Escapement\Core\Wiring\Torque\TorqueInput;
use Escapement\Core\Wiring\Torque\TorquePoint;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What nobody said is taken alike, whether a page asks or the command line. */
final class DefaultsTest extends TestCase
{
    use Answers;

    /** @param array<string, mixed> $wire the least that the wire takes */
    #[Test, DataProvider('least')]
    public function what_is_left_out_is_the_same_for_pages_and_programs(string $calc, array $wire, CalculationResult $asked): void
    {
        self::assertEqualsWithDelta(self::answer($calc, $wire), CaseFile::asArray($asked->toArray()), 1e-9);
    }

    /** @return iterable<string, array{string, array<string, mixed>, CalculationResult}> */
    public static function least(): iterable
    {
        $split = LegSystem::of('split', 120.0);
        yield 'rating of a set' => [
            'source_rating',
            ['kind' => 'generator', 'generator' => [
                'fuel' => 'lp', 'ratings_kw' => ['petrol' => 12], 'breaker_a' => 40, 'average_kw' => 9,
            ]],
            (new GeneratorRating())->answer(new GeneratorRatingInput($split, 'lp', ['petrol' => 12.0], breakerA: 40.0, averageKw: 9.0)),
        ];
        yield 'rating of a set on three phases' => [
            'source_rating',
            ['kind' => 'generator', 'system' => 'three', 'v_ln_v' => 230, 'generator' => [
                'fuel' => 'diesel', 'ratings_kw' => ['diesel' => 40],
            ]],
            (new GeneratorRating())->answer(new GeneratorRatingInput(LegSystem::of('three', 230.0), 'diesel', ['diesel' => 40.0])),
        ];
        yield 'rating of a station' => [
            'source_rating',
            ['kind' => 'inverter', 'inverter' => ['continuous_kw' => 3, 'battery_kwh' => 5]],
            (new InverterRating())->answer(new InverterRatingInput(120.0, 3.0, batteryKwh: 5.0)),
        ];
        yield 'a motor on a set' => [
            'motor_start',
            ['motor' => ['phases' => 3, 'v_v' => 400, 'fla_a' => 20, 'code' => 'G', 'hp' => 15], 'source' => [
                'kind' => 'generator', 'rated_kva' => 60,
            ]],
            (new MotorStart())->answer(new MotorStartInput(
                new Motor(3, 400.0, hp: 15.0, code: 'G', fullLoadA: 20.0),
                StartSource::generator(60.0),
            )),
        ];
        yield 'a motor by its amps alone' => [
            'motor_start',
            ['motor' => ['phases' => 1, 'v_v' => 240, 'fla_a' => 20], 'source' => [
                'kind' => 'generator', 'rated_kva' => 60, 'usable_kw' => 3,
            ]],
            (new MotorStart())->answer(new MotorStartInput(
                new Motor(1, 240.0, fullLoadA: 20.0),
                StartSource::generator(60.0, usableKw: 3.0),
            )),
        ];
        yield 'a motor on an inverter' => [
            'motor_start',
            ['motor' => ['phases' => 1, 'v_v' => 240, 'lra_a' => 40], 'source' => ['kind' => 'inverter', 'surge_kva' => 6]],
            (new MotorStart())->answer(new MotorStartInput(new Motor(1, 240.0, 40.0), StartSource::inverter(6.0))),
        ];
        yield 'loads that come back' => [
            'step_sequence',
            ['usable_kw' => 10, 'k_kva' => 60, 'loads' => [['id' => 'a', 'kw' => 3], ['id' => 'b', 'kw' => 2, 'compressor' => true]]],
            (new StepSequence())->answer(new StepSequenceInput(10.0, 60.0, [
                new RestartLoad('a', 3.0), new RestartLoad('b', 2.0, isCompressor: true),
            ])),
        ];
        yield 'loads that are shed' => [
            'shed_plan',
            ['usable_kw' => 4, 'loads' => [['id' => 'a', 'kw' => 3, 'connect' => 'L1'], ['id' => 'b', 'kw' => 2, 'connect' => 'L2']]],
            (new ShedPlan())->answer(new ShedPlanInput($split, 4.0, [
                new ShedLoad(new LegLoad('a', 3.0, 'L1')), new ShedLoad(new LegLoad('b', 2.0, 'L2')),
            ])),
        ];
        yield 'a station and its loads' => [
            'battery_runtime',
            ['battery_kwh' => 5, 'chemistry' => 'lfp', 'loads' => [['id' => 'a', 'kw' => 1]]],
            (new BatteryRuntime())->answer(new BatteryRuntimeInput(5.0, 'lfp', [new StationLoad(1.0)])),
        ];
        yield 'a fuel and all it comes through' => [
            'fuel',
            [
                'fuel' => 'lp', 'rated_kw' => 20, 'load_kw' => 10, 'tank' => ['capacity_gal' => 500],
                'vapour' => ['tank_gal' => 500, 'temp_c' => -5], 'gas' => new \stdClass(), 'pressure' => ['static_inwc' => 11],
                'pipe' => ['length_ft' => 60],
            ],
            (new FuelRun())->answer(new FuelInput(
                'lp',
                20.0,
                10.0,
                tank: new Tank('lp', 500.0),
                vapour: new VapourTank(37.0, 119.0, -5.0),
                gas: new GasSupply(),
                pressure: new GasPressure(11.0, null, GasPressure::usualMin('lp'), GasPressure::usualMax('lp')),
                pipe: new GasPipe(60.0),
            )),
        ];
        yield 'a diesel with its tank' => [
            'fuel',
            ['fuel' => 'diesel', 'rated_kw' => 20, 'load_kw' => 10, 'tank' => ['capacity_gal' => 100]],
            (new FuelRun())->answer(new FuelInput('diesel', 20.0, 10.0, tank: new Tank('diesel', 100.0))),
        ];
        yield 'lugs' => [
            'torque',
            ['work_date' => '2026-11-01', 'points' => [['id' => 'a', 'conductor_size' => '4', 'screw' => 'slotted_large']]],
            (new Torque())->answer(new TorqueInput('2026-11-01', [new TorquePoint('a', '4', 'slotted_large')])),
        ];
    }
}
