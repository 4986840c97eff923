<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Eris\Generators;
use Eris\TestTrait;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventList;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Simulation;
use Escapement\Core\Simulation\Units;
use Escapement\Core\Simulation\Verb;
use Escapement\Core\Tests\Rehearsal\RandomScenario;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SimulationTest extends TestCase
{
    use TestTrait;

    #[Test]
    public function events_injected_while_it_runs_give_what_the_whole_script_gives(): void
    {
        $this->limitTo(150)->forAll(
            Generators::choose(0, 2_000_000_000),
            Generators::choose(1, 60_000),
        )->then(function (int $seed, int $stepMs): void {
            $scenario = (new RandomScenario($seed))->scenario();
            $list = new EventList();
            $simulation = new Simulation($scenario->plant, $scenario->settings, $scenario->loads, $scenario->initial, $list);
            $now = -1;
            foreach ($scenario->events as $event) {
                while ($now + $stepMs < $event->atMs) { // looked at again and again, as a bench does
                    $now += $stepMs;
                    $simulation->advanceTo($now);
                }
                $simulation->inject($event);
            }
            $simulation->advanceTo($scenario->untilMs);
            $whole = Rehearsal::play($scenario);
            $line = static fn(Event $event): array => [$event->tMs, $event->kind()->value, $event->keys()];
            self::assertSame(array_map($line, $whole->events), array_map($line, $list->events));
            self::assertEquals($whole->metrics, $simulation->state()->metrics($scenario->untilMs));
            self::assertEquals($whole->final, $simulation->finalState($scenario->untilMs));
        });
    }

    #[Test]
    public function nothing_can_be_injected_into_what_has_been_played(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $simulation = new Simulation($template->plant(), $template->settings());
        $simulation->advanceTo(500);
        $simulation->inject(new ScenarioEvent(501, Verb::TestStop));
        $this->expectException(\LogicException::class);
        $simulation->inject(new ScenarioEvent(500, Verb::TestStop));
    }

    #[Test, DataProvider('rounded')]
    public function finer_input_is_rounded_half_to_even(int|float $value, int $units, bool $isFiner): void
    {
        self::assertSame($units, Units::signal($value));
        self::assertSame($isFiner, Units::isFinerSignal($value));
    }

    /** @return iterable<string, array{int|float, int, bool}> */
    public static function rounded(): iterable
    {
        yield 'whole volts' => [120, 120_000_000_000, false];
        yield 'the finest step' => [0.0001, 100_000, false];
        yield 'half a step down to even' => [0.00025, 200_000, true];
        yield 'half a step up to even' => [0.00035, 400_000, true];
        yield 'a little more than half' => [0.000251, 300_000, true];
        yield 'a decimal that binary cannot hold' => [95.9, 95_900_000_000, false];
    }

    #[Test]
    public function limits_and_sums_tie_exactly(): void
    {
        self::assertSame(Units::signal(204), Units::part(240, 85));
        self::assertSame(Units::signal(98.814), Units::part(120, 82.345));
        self::assertSame(Units::kilowatts(0.3), Units::kilowatts(0.1) + Units::kilowatts(0.2));
        self::assertSame([2500, 100_000], Units::share(2.5));
        self::assertTrue(Units::isFinerPercent(82.3456));
        self::assertFalse(Units::isFinerPercent(82.345));
        self::assertTrue(Units::isFinerKilowatt(1e-7));
        self::assertFalse(Units::isFinerKilowatt(1e-6));
    }
}
