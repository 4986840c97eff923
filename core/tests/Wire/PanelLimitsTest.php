<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Wire;

use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\RelayLogic\StandardCircuits;
use Escapement\Core\Wire\Calculations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Limits of what stands under the name of a device or supply, where no schema has a place for it: taken on them, refused beyond. */
final class PanelLimitsTest extends TestCase
{
    private const MOST_MS = 3_600_000;

    /** @param list<string> $place the keys that lead to it */
    #[Test, DataProvider('limits')]
    public function a_figure_of_a_device_stands_on_its_limits_and_not_beyond(
        string $calc,
        string $circuit,
        array $place,
        float|int $least,
        float|int $most,
        float|int $step,
    ): void {
        foreach ([[$least, true], [$most, true], [$least - $step, false], [$most + $step, false]] as [$value, $isTaken]) {
            try {
                (new Calculations())->calc($calc, self::input($calc, $circuit, $place, $value));
                self::assertTrue($isTaken, "$value was taken");
            } catch (BadInput $e) {
                self::assertSame([false, '/' . implode('/', $place)], [$isTaken, $e->path], "$value: {$e->getMessage()}");
            }
        }
    }

    /** @return iterable<string, array{string, string, list<string>, float|int, float|int, float|int}> */
    public static function limits(): iterable
    {
        $engine = ['start_delay_ms', 'crank_ms', 'crank_limit_ms', 'crank_rest_ms', 'run_up_ms', 'cooldown_ms', 'stop_ms'];
        foreach ($engine as $key) {
            yield "engine: $key" => ['relay_play', 'b', ['supplies', 'gen', 'engine', $key], 0, self::MOST_MS, 1];
        }
        yield 'engine: attempts' => ['relay_play', 'b', ['supplies', 'gen', 'engine', 'crank_attempts'], 1, 10, 1];
        $dial = [
            'under_pct' => [1, 200], 'over_pct' => [1, 300], 'hysteresis_pct' => [0, 50], 'unbalance_pct' => [0.1, 100],
            'unbalance_hysteresis_pct' => [0, 50], 'loss_pct' => [1, 200], 'trip_ms' => [0, self::MOST_MS],
            'loss_trip_ms' => [0, self::MOST_MS], 'reset_ms' => [1, self::MOST_MS],
        ];
        foreach ($dial as $key => [$least, $most]) {
            yield "phase relay: $key" => ['relay_play', 'b', ['times', 'PFM', $key], $least, $most, str_ends_with($key, 'ms') ? 1 : 0.01];
        }
        yield 'timer: deviation' => ['relay_play', 'b', ['times', 'T1', 'deviation_pct'], -50, 50, 0.01];
        foreach (['open_ms', 'close_ms'] as $key) {
            yield "motor changeover: $key" => ['relay_play', 'd', ['times', 'Q1', $key], 1, 60_000, 1];
        }
        yield 'coil' => ['terminal_list', 'b', ['devices', 'K1', 'coil_va'], 0, 1000, 0.1];
        yield 'control fuse' => ['terminal_list', 'b', ['control', 'fuse_a'], 0.5, 20, 0.01];
        yield 'control volts' => ['terminal_list', 'b', ['control', 'v_v'], 12, 690, 0.1];
        yield 'load' => ['terminal_list', 'b', ['power', 'load_a'], 0.1, 2000, 0.05];
        yield 'supply' => ['relay_play', 'b', ['supplies', 'mains', 'v'], 0, 2000, 0.1];
    }

    /** @param list<string> $place */
    private static function input(string $calc, string $key, array $place, float|int $value): Node
    {
        $standard = StandardCircuits::all()[$key];
        $input = $calc === 'relay_play'
            ? ['circuit' => $standard['circuit'], 'supplies' => $standard['supplies'], 'times' => [], 'until_ms' => 1]
            : ['circuit' => $standard['circuit'], 'region' => 'iec_400_230', 'power' => ['ocpd_a' => 63, 'load_a' => 50]];
        if ($place[0] !== 'power') {
            unset($input['power']);
        }
        $at = &$input;
        foreach ($place as $one) {
            $at = &$at[$one];
        }
        $at = $value;

        return Node::fromJson(json_encode(array_filter($input, static fn(mixed $one): bool => $one !== []), JSON_THROW_ON_ERROR));
    }
}
