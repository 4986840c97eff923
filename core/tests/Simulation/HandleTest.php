<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Simulation;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Side;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\Event;
use Escapement\Core\Simulation\EventList;
use Escapement\Core\Simulation\Figures;
use Escapement\Core\Simulation\Hook;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Simulation;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The lever moves a switch that stands still, in manual, to the other side; nothing else. Rule: docs/rules.md#bench-play. */
final class HandleTest extends TestCase
{
    /**
     * @param list<Hook|ScenarioEvent> $acts
     * @param list<string>             $happened kinds of what the lever did, with their moments
     */
    #[Test, DataProvider('hands')]
    public function a_lever_is_refused_in_automatic_on_the_way_and_where_it_is(array $acts, array $happened): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $log = new EventList();
        $simulation = new Simulation($template->plant(), $template->settings(), [], Side::Normal, $log);
        foreach ($acts as $act) {
            $simulation->inject($act);
        }
        $simulation->advanceTo(20_000);
        $kinds = ['handle_refused', 'switch_opened', 'switch_closed', 'selector_changed'];
        self::assertSame($happened, array_values(array_map(
            static fn(Event $one): string => "$one->tMs {$one->kind()->value}",
            array_filter($log->events, static fn(Event $one): bool => in_array($one->kind()->value, $kinds, true)),
        )));
    }

    /** @return iterable<string, array{list<Hook|ScenarioEvent>, list<string>}> */
    public static function hands(): iterable
    {
        $manual = new ScenarioEvent(10, Verb::Selector, to: 'manual');
        yield 'in automatic' => [[Hook::handle(100, Side::Emergency)], ['100 handle_refused']];
        yield 'to where it is' => [[$manual, Hook::handle(100, Side::Normal)], ['10 selector_changed', '100 handle_refused']];
        yield 'over and back' => [[$manual, Hook::handle(100, Side::Emergency), Hook::handle(9000, Side::Normal)], [
            '10 selector_changed', '100 switch_opened', '100 switch_closed', '9000 switch_opened', '9000 switch_closed',
        ]];
        yield 'automatic again' => [[$manual, new ScenarioEvent(50, Verb::Selector, to: 'auto'), Hook::handle(100, Side::Emergency)], [
            '10 selector_changed', '50 selector_changed', '100 handle_refused',
        ]];
    }

    #[Test, DataProvider('times')]
    public function a_time_is_told_in_tenths_or_to_the_millisecond(int $ms, string $told): void
    {
        self::assertSame($told, Figures::seconds($ms));
    }

    /** @return iterable<array{int, string}> */
    public static function times(): iterable
    {
        yield [0, '0.0 s'];
        yield [100, '0.1 s'];
        yield [900, '0.9 s'];
        yield [1000, '1.0 s'];
        yield [1001, '1.001 s'];
        yield [99, '0.099 s'];
        yield [61_100, '61.1 s'];
        yield [-100, '-0.100 s'];
    }
}
