<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Rehearsal\VoltageTrace;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Span;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The line that a rehearsal draws of a voltage: corners, ramps that are cut short, and when it is enough for the bus. */
final class VoltageTraceTest extends TestCase
{
    private const UNTIL_MS = 100_000;

    /** @return iterable<string, array{list<ScenarioEvent>, list<array{int, float}>}> script, corners of the first leg */
    public static function scripts(): iterable
    {
        $set = static fn(int $atMs, float $v): ScenarioEvent => new ScenarioEvent($atMs, Verb::SetSource, Side::Normal, [$v, $v]);
        $ramp = static fn(int $atMs, float $v, int $overMs): ScenarioEvent => new ScenarioEvent(
            $atMs,
            Verb::RampSource,
            Side::Normal,
            [$v, $v],
            overMs: $overMs,
        );
        yield 'nothing happens' => [[], [[0, 120], [self::UNTIL_MS, 120]]];
        yield 'it goes' => [[$set(1000, 0)], [[0, 120], [1000, 120], [1000, 0], [self::UNTIL_MS, 0]]];
        yield 'it sinks' => [[$ramp(1000, 60, 2000)], [[0, 120], [1000, 120], [3000, 60], [self::UNTIL_MS, 60]]];
        yield 'it goes while it sinks' => [
            [$ramp(1000, 60, 2000), $set(2000, 0)],
            [[0, 120], [1000, 120], [2000, 90], [2000, 0], [self::UNTIL_MS, 0]],
        ];
        yield 'it turns while it sinks' => [
            [$ramp(1000, 0, 4000), $ramp(2000, 120, 1000)],
            [[0, 120], [1000, 120], [2000, 90], [3000, 120], [self::UNTIL_MS, 120]],
        ];
        yield 'it sinks beyond the end' => [[$ramp(90_000, 0, 40_000)], [[0, 120], [90_000, 120], [self::UNTIL_MS, 90]]];
        yield 'at the very end' => [[$set(self::UNTIL_MS, 0)], [[0, 120], [self::UNTIL_MS, 120], [self::UNTIL_MS, 0], [self::UNTIL_MS, 0]]];
        yield 'after the end nothing counts' => [[$set(self::UNTIL_MS + 1, 0)], [[0, 120], [self::UNTIL_MS, 120]]];
    }

    /**
     * @param list<ScenarioEvent>     $script
     * @param list<array{int, float}> $corners
     */
    #[Test, DataProvider('scripts')]
    public function a_voltage_is_drawn_by_its_corners(array $script, array $corners): void
    {
        $trace = self::trace($script, Side::Normal);
        self::assertEquals($corners, array_map(static fn(array $one): array => [$one['atMs'], $one['v'][0]], $trace->corners));
        self::assertEquals($corners, array_map(static fn(array $one): array => [$one['atMs'], $one['v'][1]], $trace->corners));
    }

    #[Test]
    public function a_machine_is_drawn_by_what_its_engine_does(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $dark = [new ScenarioEvent(0, Verb::SetSource, Side::Normal, [0, 0])];
        $events = Rehearsal::play(new Scenario($template->plant(), $template->settings(), $dark, self::UNTIL_MS))->events;
        $trace = new VoltageTrace($template->plant(), $template->settings(), Side::Emergency, Side::Normal, [], $events, self::UNTIL_MS);
        $byKind = [];
        foreach ($events as $event) {
            $byKind[$event->kind()->value] ??= $event->tMs;
        }
        $first = array_map(static fn(array $one): array => [$one['atMs'], $one['v'][0]], $trace->corners);
        self::assertEquals(
            [[0, 0], [$byKind['engine_fired'], 0], [$byKind['engine_at_speed'], 120], [self::UNTIL_MS, 120]],
            array_values(array_unique($first, SORT_REGULAR)),
        );
        self::assertSame('dead', $trace->live[0]->state ?? null);
        self::assertSame('live', $trace->live[count($trace->live) - 1]->state ?? null);
    }

    #[Test]
    public function the_bus_is_live_while_the_voltage_is_enough(): void
    {
        $script = [
            new ScenarioEvent(10_000, Verb::SetSource, Side::Normal, [0, 0]),
            new ScenarioEvent(20_000, Verb::SetSource, Side::Normal, [120, 120]),
        ];
        $told = array_map(static fn(Span $one): array => [$one->fromMs, $one->toMs, $one->state], self::trace($script, Side::Normal)->live);
        self::assertSame([[0, 10_000, 'live'], [10_000, 20_000, 'dead'], [20_000, self::UNTIL_MS, 'live']], $told);
    }

    /** @param list<ScenarioEvent> $script */
    private static function trace(array $script, Side $side): VoltageTrace
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);

        return new VoltageTrace($template->plant(), $template->settings(), $side, Side::Normal, $script, [], self::UNTIL_MS);
    }
}
