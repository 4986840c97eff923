<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Bench;

use Escapement\Core\Bench\BenchAct;
use Escapement\Core\Bench\BenchPanel;
use Escapement\Core\Bench\BenchScript;
use Escapement\Core\Bench\LogLine;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Hook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What a hand does to the bench, and where its knobs stand then. */
final class BenchEdgesTest extends TestCase
{
    #[Test]
    public function the_knobs_stand_where_the_site_begins_and_where_they_were_put(): void
    {
        $script = self::script();
        self::assertSame([120, 120], $script->knobs(Side::Normal));
        self::assertSame(['pump' => 3], $script->loadKnobs());
        $script->add(1000, 'utility', ['v' => [100, 110]]);
        $script->add(2000, 'utility_disconnect', ['open' => true]);
        self::assertSame([[100, 110], [120, 120], true], [
            $script->knobs(Side::Normal), $script->knobs(Side::Emergency), $script->isDisconnected(),
        ]);
        $script->add(3000, 'utility', ['v' => [90, 90]]);
        self::assertSame([90, 90], $script->knobs(Side::Normal), 'turned while it is disconnected');
        self::assertSame([], $script->acts[2]->acts);
        $script->add(4000, 'utility_disconnect', ['open' => false]);
        self::assertSame([90, 90], $script->acts[3]->acts[0]->v ?? null);
    }

    /** @param array<string, mixed> $keys */
    #[Test, DataProvider('hooks')]
    public function a_hook_does_what_it_says(string $do, array $keys, Hook $expected): void
    {
        $script = self::script();
        $script->add(1000, $do, $keys);
        self::assertEquals([$expected], $script->acts[0]->acts);
        self::assertFalse($script->isPure);
    }

    /** @return iterable<string, array{string, array<string, mixed>, Hook}> */
    public static function hooks(): iterable
    {
        yield 'phases turned' => ['generator_rotation', ['rotation' => 'acb'], Hook::rotation(1000, 'acb')];
        yield 'phases put right' => ['generator_rotation', ['rotation' => 'abc'], Hook::rotation(1000, 'abc')];
        yield 'breaker closed' => ['generator_breaker', ['closed' => true], Hook::breaker(1000, true)];
        yield 'breaker open' => ['generator_breaker', ['closed' => false], Hook::breaker(1000, false)];
        yield 'handle to the utility' => ['handle', ['to' => 'normal'], Hook::handle(1000, Side::Normal)];
        yield 'handle to the generator' => ['handle', ['to' => 'emergency'], Hook::handle(1000, Side::Emergency)];
    }

    /** @param array<string, mixed> $keys */
    #[Test, DataProvider('hands')]
    public function a_panel_stands_as_the_hand_left_it(string $do, array $keys, \Closure $reads, mixed $is): void
    {
        $panel = new BenchPanel();
        $panel->take(new BenchAct(1500, $do, $keys, [], []));
        self::assertSame($is, $reads($panel));
    }

    /** @return iterable<string, array{string, array<string, mixed>, \Closure, mixed}> */
    public static function hands(): iterable
    {
        yield 'an element of the bank' => [
            'bank', ['element' => 2, 'on' => true], static fn(BenchPanel $of): array => $of->elements, [2 => true],
        ];
        yield 'one transformer turned' => [
            'ct', ['phase' => 2, 'reversed' => true], static fn(BenchPanel $of): array => $of->reversed, [2 => true],
        ];
        yield 'started by hand' => ['hand_start', [], static fn(BenchPanel $of): bool => $of->isHandStarted, true];
        yield 'stopped by hand' => ['hand_stop', [], static fn(BenchPanel $of): bool => $of->isHandStarted, false];
        yield 'door open' => ['door', ['open' => true], static fn(BenchPanel $of): bool => $of->isDoorOpen, true];
        yield 'charger off' => ['charger', ['on' => false], static fn(BenchPanel $of): bool => $of->isChargerOn, false];
        yield 'fuel shut off' => ['fuel', ['blocked' => true], static fn(BenchPanel $of): ?int => $of->fuelBlockedMs, 1500];
        yield 'fuel open' => ['fuel', ['blocked' => false], static fn(BenchPanel $of): ?int => $of->fuelBlockedMs, null];
    }

    #[Test]
    public function fuel_that_is_shut_off_twice_is_off_since_the_first_time(): void
    {
        $panel = new BenchPanel();
        $panel->take(new BenchAct(1500, 'fuel', ['blocked' => true], [], []));
        $panel->take(new BenchAct(2500, 'fuel', ['blocked' => true], [], []));
        self::assertSame(1500, $panel->fuelBlockedMs);
    }

    #[Test]
    public function a_line_of_the_log_comes_back_as_it_was_kept(): void
    {
        $line = new LogLine(7, 1500, 'input', ['do' => 'ct', 'phase' => 2, 'v' => [120, 120.5]], 'somebody did it.');
        self::assertEquals($line, LogLine::fromArray($line->toArray()));
        self::assertSame('do=ct;phase=2;v=[120,120.5]', $line->detail());
        self::assertEquals(new LogLine(0, 0, '', [], ''), LogLine::fromArray(['seq' => 'x', 'kind' => 1]));
    }

    private static function script(): BenchScript
    {
        return new BenchScript((new SheetTemplate(InstallationKind::WholeHouse))->plant(), [new Load('pump', 3, 1, false)], 60_000);
    }
}
