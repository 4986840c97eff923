<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Calc;

use Escapement\Core\Input\Node;
use Escapement\Core\Wire\Calculations;
use Escapement\Core\Wiring\Raceways;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Laws that every table and formula has to keep between its published cases: what grows, what falls, what is in proportion. */
final class MoreNeverMeansLessTest extends TestCase
{
    private const SIZES = [
        '14',
        '12',
        '10',
        '8',
        '6',
        '4',
        '3',
        '2',
        '1',
        '1/0',
        '2/0',
        '3/0',
        '4/0',
        '250',
        '300',
        '350',
        '400',
        '500',
        '600',
        '700',
        '750',
        '800',
        '900',
        '1000',
    ];
    private const AMPS = [1, 5, 12, 15, 16, 20, 25, 30, 40, 55, 60, 80, 100, 125, 150, 175, 200, 250, 300, 350, 380];
    private const OCPD = [15, 20, 30, 40, 60, 70, 100, 110, 150, 200, 225, 300, 400, 500, 600, 800, 1000];

    /**
     * @param list<int|float>                          $values rising
     * @param callable(int|float): array<string, mixed> $input
     * @param callable(array<string, mixed>): float     $figure
     */
    #[Test, DataProvider('rising')]
    public function more_in_never_gives_less_out(string $calc, array $values, callable $input, callable $figure): void
    {
        $before = -INF;
        $first = null;
        foreach ($values as $value) {
            $figured = $figure((new Calculations())->calc($calc, Node::fromArray($input($value))));
            self::assertGreaterThanOrEqual($before, $figured, "$calc at $value");
            $before = $figured;
            $first ??= $figured;
        }
        self::assertGreaterThan($first, $before, 'it has to grow at all, or the law says nothing');
    }

    /** @return iterable<string, array{string, list<int|float>, callable, callable}> */
    public static function rising(): iterable
    {
        $figure = static fn(string ...$keys): callable => static fn(array $answer): float => (float) array_reduce(
            $keys,
            static fn(mixed $at, string $key): mixed => is_array($at) ? $at[$key] : null,
            $answer,
        );
        $size = static fn(string ...$keys): callable => static function (array $answer) use ($keys): float {
            $found = array_reduce($keys, static fn(mixed $at, string $key): mixed => is_array($at) ? $at[$key] : null, $answer);
            self::assertContains($found, self::SIZES);

            return (float) array_search($found, self::SIZES, true);
        };
        foreach (['cu', 'al'] as $metal) {
            yield "$metal: amps, conductor" => [
                'conductor',
                self::AMPS,
                static fn(int|float $a): array => ['material' => $metal, 'noncontinuous_a' => $a],
                $size('size'),
            ];
            yield "$metal: continuous amps, conductor" => [
                'conductor',
                [8, 16, 32, 64, 128, 240],
                static fn(int|float $a): array => ['material' => $metal, 'continuous_a' => $a],
                $size('size'),
            ];
            yield "$metal: heat, conductor" => [
                'conductor',
                [30, 36, 41, 46, 51, 55],
                static fn(int|float $c): array => ['material' => $metal, 'noncontinuous_a' => 100, 'terminal_c' => 75, 'ambient_c' => $c],
                $size('size'),
            ];
            yield "$metal: breaker, ground" => [
                'grounding',
                self::OCPD,
                static fn(int|float $a): array => ['egc' => ['ocpd_a' => $a, 'material' => $metal]],
                $size('egc', 'size'),
            ];
            yield "$metal: length, drop" => [
                'voltage_drop',
                [1, 10, 30, 60.5, 100],
                static fn(int|float $m): array => [
                    'circuit' => 'single_phase',
                    'v' => 240,
                    'current_a' => 40,
                    'material' => $metal,
                    'size' => '4',
                    'length_m' => $m,
                ],
                $figure('drop_pct'),
            ];
            yield "$metal: amps, drop" => [
                'voltage_drop',
                [1, 10, 30, 60.5, 100],
                static fn(int|float $a): array => [
                    'circuit' => 'three_phase',
                    'v' => 480,
                    'current_a' => $a,
                    'material' => $metal,
                    'size' => '4',
                    'length_m' => 50,
                ],
                $figure('drop_pct'),
            ];
        }
        foreach (['emt', 'rmc', 'pvc40', 'pvc80', 'lfmc'] as $raceway) {
            $filled = static fn(int|float $qty): array => [
                'raceway' => ['type' => $raceway, 'trade_size' => '2'],
                'items' => [['kind' => 'thhn', 'size' => '2', 'qty' => $qty]],
            ];
            yield "$raceway: conductors, fill" => ['raceway_fill', [3, 4, 5, 9, 12], $filled, $figure('fill_pct')];
            yield "$raceway: conductors, trade size" => [
                'raceway_fill',
                [3, 4, 5, 9, 12],
                $filled,
                static fn(array $answer): float => (float) array_search($answer['min_trade_size'], Raceways::TRADE_SIZES, true),
            ];
        }
        foreach (['natural_gas' => 'btuh', 'lp' => 'l_h', 'petrol' => 'l_h', 'diesel' => 'l_h'] as $fuel => $unit) {
            yield "$fuel: load, burnt" => [
                'fuel',
                [0, 1, 4, 5, 10, 15, 20],
                static fn(int|float $kw): array => ['fuel' => $fuel, 'rated_kw' => 20, 'load_kw' => $kw],
                $figure('rate', $unit),
            ];
        }
        yield 'height, derating' => [
            'source_rating',
            [0, 500, 1000, 5000, 9000],
            static fn(int|float $ft): array => [
                'kind' => 'generator',
                'generator' => ['fuel' => 'lp', 'ratings_kw' => ['lp' => 18], 'altitude_ft' => $ft],
            ],
            static fn(array $answer): float => -(float) $answer['usable_kw'],
        ];
        yield 'locked-rotor amps, dip' => [
            'motor_start',
            [20, 40, 80, 160],
            static fn(int|float $a): array => [
                'motor' => ['phases' => 1, 'v_v' => 240, 'lra_a' => $a],
                'source' => ['kind' => 'generator', 'rated_kva' => 20],
            ],
            $figure('dip_pct'),
        ];
        yield 'battery, hours' => [
            'battery_runtime',
            [1, 2, 5, 13.5],
            static fn(int|float $kwh): array => ['battery_kwh' => $kwh, 'loads' => [['id' => 'a', 'kw' => 0.4]]],
            $figure('runtime_h'),
        ];
        yield 'peak, demand' => [
            'demand',
            [1, 4, 9, 20],
            static fn(int|float $kw): array => ['measured' => ['peak_kw' => $kw]],
            $figure('design_kva'),
        ];
    }
}
