<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Plant\Side;
use Escapement\Core\Rehearsal\Rehearsal;
use Escapement\Core\Rehearsal\Scenario;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Which load goes first when there is too much, and which comes back. */
final class SheddingTest extends TestCase
{
    private const OVER_AT_MS = 200_000;

    /**
     * @param list<array{string, float}> $changes load, kW, half a minute from one to the next
     * @param list<string>               $shed    in their order, with the seconds since the first change
     */
    #[Test, DataProvider('overloads')]
    public function the_least_important_goes_first_and_of_equals_the_last_of_the_list(array $changes, array $shed): void
    {
        $loads = [new Load('a', 1, 1, true), new Load('b', 1, 1, true), new Load('c', 1, 1, true), new Load('fixed', 1, 9, false)];
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $events = [new ScenarioEvent(0, Verb::SetSource, Side::Normal, [0, 0])];
        foreach ($changes as $i => [$load, $kw]) {
            $events[] = new ScenarioEvent(self::OVER_AT_MS + 30_000 * $i, Verb::SetLoad, load: $load, kw: $kw);
        }
        $settings = $template->settings()->withLoadShed(new LoadShedding(5, 5000, 5000, 2000, 600_000));
        $told = array_filter(
            Rehearsal::play(new Scenario($template->plant(), $settings, $events, 400_000, $loads))->events,
            static fn(Event $event): bool => $event->tMs >= self::OVER_AT_MS
                && in_array($event->kind()->value, ['load_shed', 'load_restored', 'overload_unresolved'], true),
        );
        self::assertSame($shed, array_values(array_map(static fn(Event $event): string => sprintf(
            '%s %s at %g s',
            $event->keys()['load'] ?? 'nothing',
            $event->kind()->value,
            ($event->tMs - self::OVER_AT_MS) / 1000,
        ), $told)));
    }

    /** @return iterable<string, array{list<array{string, float}>, list<string>}> */
    public static function overloads(): iterable
    {
        yield 'on the limit' => [[['fixed', 2]], []];
        yield 'a little over: the last of the equals' => [[['fixed', 2.001]], ['c load_shed at 2 s']];
        yield 'over by two: two, one overload time apart' => [[['fixed', 3.5]], ['c load_shed at 2 s', 'b load_shed at 4 s']];
        yield 'over by all that may be shed' => [
            [['fixed', 5]], ['c load_shed at 2 s', 'b load_shed at 4 s', 'a load_shed at 6 s'],
        ];
        yield 'over by more: said once, and again after it fitted' => [
            [['fixed', 5.5], ['fixed', 6], ['fixed', 4.5], ['fixed', 6]],
            [
                'c load_shed at 2 s', 'b load_shed at 4 s', 'a load_shed at 6 s', 'nothing overload_unresolved at 8 s',
                'nothing overload_unresolved at 92 s',
            ],
        ];
        yield 'over for less than the overload time' => [[['fixed', 2.5], ['fixed', 1]], ['c load_shed at 2 s']];
    }
}
