<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Handover;

use Escapement\Core\Handover\OwnerWords;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Wire\CheckReader;
use Escapement\Core\Wire\SettingsReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class OwnerWordsTest extends TestCase
{
    /** @param array<string, mixed> $change of the settings */
    #[Test, DataProvider('settings')]
    public function a_delay_is_told_as_it_stands_on_the_sheet(InstallationKind $kind, array $change, string $said): void
    {
        self::assertStringContainsString($said, implode(' ', self::words($kind, $change)->outage()));
    }

    /** @return iterable<string, array{InstallationKind, array<string, mixed>, string}> */
    public static function settings(): iterable
    {
        yield 'drop-out and start delay together' => [
            InstallationKind::WholeHouse,
            ['start_delay_ms' => 9500],
            'For 10 seconds nothing happens',
        ];
        yield 'a return delay in minutes' => [InstallationKind::WholeHouse, ['return_delay_ms' => 900_000], 'another 15 minutes'];
        yield 'one that is no whole minute' => [
            InstallationKind::WholeHouse,
            ['return_delay_ms' => 150_000],
            'another 2 minutes 30 seconds',
        ];
        yield 'a short cool-down' => [InstallationKind::WholeHouse, ['cooldown_ms' => 60_000], 'for 60 seconds without load'];
        yield 'just below two minutes' => [InstallationKind::WholeHouse, ['cooldown_ms' => 119_499], 'for 119 seconds without load'];
        yield 'two minutes' => [InstallationKind::WholeHouse, ['cooldown_ms' => 119_500], 'for 2 minutes without load'];
        yield 'one second' => [InstallationKind::WholeHouse, ['start_delay_ms' => 500], 'For one second nothing happens'];
        yield 'two supplies have no engine' => [InstallationKind::ContactorPair, [], 'the second one carries the load'];
        yield 'a vehicle is started by hand' => [InstallationKind::Mobile30, [], 'Start the generator.'];
    }

    #[Test]
    public function what_waits_is_named_only_where_something_is_shed(): void
    {
        $shed = [
            'load_shed' => [
                'limit_kw' => 10,
                'first_step_ms' => 10_000,
                'step_ms' => 15_000,
                'overload_ms' => 5000,
                'lockout_ms' => 180_000,
            ],
        ];
        $loads = [new Load('Heater', 5, 2, true), new Load('Range', 8, 3, true), new Load('Lights', 1, 1, false)];
        $told = implode(' ', self::words(InstallationKind::WholeHouse, $shed, $loads)->outage());
        self::assertStringContainsString('Heater waits, and comes back after', $told);
        self::assertStringContainsString('Range stays off until the power is back', $told, '14 kW do not fit into 10');
        self::assertStringNotContainsString('wait,', implode(' ', self::words(InstallationKind::WholeHouse, [], $loads)->outage()));
    }

    #[Test]
    public function an_exercise_is_never_called_a_test(): void
    {
        $habits = (new CheckReader())->site(Node::fromArray(
            (object) ['exercise' => ['day' => 'sat', 'time' => '09:05', 'every' => 'weekly', 'for_min' => 20, 'with_load' => false]],
        ));
        $words = implode(' ', self::words(InstallationKind::WholeHouse, [], [], $habits)->exercise());
        self::assertStringContainsString('Every Saturday at 09:05 it runs by itself for 20 minutes, without load.', $words);
        self::assertStringContainsString('does not show that it carries', $words);
    }

    #[Test]
    public function on_a_vehicle_nothing_runs_by_itself(): void
    {
        $habits = (new CheckReader())->site(Node::fromArray((object) ['exercise' => [
            'day' => 'tue', 'time' => '11:00', 'every' => 'weekly', 'for_min' => 20, 'with_load' => true,
        ]]));
        foreach ([InstallationKind::Mobile50, InstallationKind::Mobile30] as $kind) {
            $words = self::words($kind, [], [], $habits);
            $all = implode(' ', [...$words->exercise(), ...$words->trouble(), ...$words->outage()]);
            self::assertTrue($words->startsByHand());
            self::assertStringContainsString('Every Tuesday at 11:00, start the generator by hand', $all);
            self::assertDoesNotMatchRegularExpression('/starts by itself|runs by itself|selector stands on automatic/', $all);
        }
    }

    #[Test]
    public function the_strip_says_what_the_words_say(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $words = self::words($kind);
            self::assertSame(['first', 'dark', 'second', 'first'], array_column($words->strip(), 'state'));
            $dark = $words->strip()[1]['time'];
            self::assertTrue($dark === '' || str_contains(mb_strtolower(implode(' ', $words->outage())), $dark), $kind->value);
        }
    }

    #[Test]
    public function no_kind_tells_an_owner_to_open_anything(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            $words = implode(' ', self::words($kind)->trouble());
            self::assertStringContainsString('carbon monoxide', $words);
            self::assertDoesNotMatchRegularExpression(
                '/\b(remove|unscrew|take off|open) (the|a) cover/i',
                str_replace('not open a cover', '', $words),
            );
        }
    }

    /**
     * @param array<string, mixed> $change
     * @param list<Load>           $loads
     */
    private static function words(
        InstallationKind $kind,
        array $change = [],
        array $loads = [],
        SiteHabits $habits = new SiteHabits(),
    ): OwnerWords {
        $template = new SheetTemplate($kind);
        $plant = $template->plant();

        return new OwnerWords(
            $plant,
            (new SettingsReader())->settings(Node::fromArray(MergePatch::apply($template->settings()->toWire(), $change)), $plant),
            $loads,
            $habits,
        );
    }
}
