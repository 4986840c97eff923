<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Handover;

use Escapement\Core\Handover\OwnerWords;
use Escapement\Core\Input\MergePatch;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Settings\SiteExercise;
use Escapement\Core\Settings\SiteHabits;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Tests\StandardPanels;
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

    /** @param list<string> $said */
    #[Test, DataProvider('panels')]
    public function a_panel_says_what_its_lamps_mean_and_is_not_sent_to_its_maker_for_it(string $kind, string $key, array $said): void
    {
        $template = new SheetTemplate(InstallationKind::from($kind));
        $panel = StandardPanels::built($key);
        $words = new OwnerWords($template->plant(), $template->settings(), [], new SiteHabits(), panel: $panel);
        self::assertSame($said, array_slice($words->lamps(), 0, 2));
        self::assertStringNotContainsString('What the lamps mean is in', implode(' ', $words->trouble()));
        self::assertStringContainsString('What the lamps mean is in', implode(' ', self::words(InstallationKind::from($kind))->trouble()));
    }

    /** @return iterable<string, array{string, string, list<string>}> */
    public static function panels(): iterable
    {
        yield 'two supplies' => ['K7', 'a', ['H1 lit: the load is on the first supply.', 'H2 lit: the load is on the second supply.']];
        yield 'a generator' => ['K8', 'b', ['HM lit: the load is on the utility.', 'HG lit: the load is on the generator.']];
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

    /** @param list<string> $says */
    #[Test, DataProvider('exercises')]
    public function an_exercise_is_told_by_its_day_and_what_it_does_not_show(
        InstallationKind $kind,
        ?SiteExercise $exercise,
        array $says,
    ): void {
        self::assertSame($says, self::words($kind, habits: new SiteHabits(exercise: $exercise))->exercise());
    }

    /** @return iterable<string, array{InstallationKind, ?SiteExercise, list<string>}> */
    public static function exercises(): iterable
    {
        $house = InstallationKind::WholeHouse;
        $shows = 'That shows that it starts. It does not show that it carries the building: only a run with the load does.';
        yield 'none' => [$house, null, ['No exercise is agreed. A machine that never runs does not start.']];
        yield 'every week' => [
            $house, new SiteExercise(2, 9 * 60 + 5, 7, true, 15, false),
            ['Every Wednesday at 09:05 it runs by itself for 15 minutes, without load.', $shows],
        ];
        yield 'every second week, with load' => [
            $house, new SiteExercise(6, 14 * 60, 14, true, 30, true),
            [
                'Every 2 weeks, on Sunday, at 14:00 it runs by itself for 30 minutes, and takes the load.',
                'Look once in a while whether it did.',
            ],
        ];
        yield 'every ten days' => [
            $house, new SiteExercise(0, 0, 10, false, 20, false),
            ['Every 10 days, first on Monday, at 00:00 it runs by itself for 20 minutes, without load.', $shows],
        ];
        yield 'a vehicle, by hand' => [
            InstallationKind::Mobile30, new SiteExercise(5, 600, 7, true, 20, true),
            [
                'Every Saturday at 10:00, start the generator by hand and let it run for 20 minutes with load. '
                    . 'Nothing does that by itself.',
            ],
        ];
    }

    #[Test]
    public function a_short_time_is_said_with_its_tenths_and_a_long_one_in_minutes(): void
    {
        $first = static fn(int $ms): string => self::words(InstallationKind::ContactorPair, ['return_delay_ms' => $ms])->outage()[1];
        foreach ([
            900 => "another 0.9\u{202F}s,", 949 => "another 0.949\u{202F}s,", 950 => 'another one second,', 1499 => 'another one second,',
            1500 => 'another 2 seconds,', 119_000 => 'another 119 seconds,', 120_000 => 'another 2 minutes,',
            181_000 => 'another 3 minutes one second,', 600_000 => 'another 10 minutes,',
        ] as $ms => $words) {
            self::assertStringContainsString($words, $first($ms));
        }
    }

    #[Test]
    public function what_stays_off_and_what_waits_is_told_by_name_in_one_and_in_many(): void
    {
        $shed = ['load_shed' => [
            'limit_kw' => 10, 'first_step_ms' => 10_000, 'step_ms' => 15_000, 'overload_ms' => 5000, 'lockout_ms' => 180_000,
        ]];
        $told = static fn(Load ...$loads): string => implode(' ', self::words(
            InstallationKind::WholeHouse,
            $shed,
            array_values($loads),
        )->outage());
        $always = new Load('lights', 4, 1, false);
        self::assertStringContainsString(
            'Range stays off until the power is back: the generator cannot carry it beside the rest.',
            $told($always, new Load('Range', 8, 2, true)),
        );
        self::assertStringContainsString(
            'Range and Sauna stay off until the power is back: the generator cannot carry them beside the rest.',
            $told($always, new Load('Range', 8, 2, true), new Load('Sauna', 9, 3, true)),
        );
        self::assertStringContainsString('Pump waits, and comes back after 10 seconds.', $told($always, new Load('Pump', 2, 2, true)));
        self::assertStringContainsString(
            'Pump, Fan and Freezer wait, and come back one after the other, the first after 10 seconds.',
            $told($always, new Load('Pump', 2, 2, true), new Load('Fan', 1, 3, true), new Load('Freezer', 1, 4, true)),
        );
        self::assertStringNotContainsString('wait', $told($always));
    }

    #[Test]
    public function the_strip_says_how_long_it_is_dark_and_how_long_it_stays(): void
    {
        $times = static fn(InstallationKind $kind): array => array_column(self::words($kind)->strip(), 'time', 'state');
        self::assertSame('as long as it lasts and 5 minutes more', $times(InstallationKind::WholeHouse)['second']);
        self::assertSame('as long as it lasts', $times(InstallationKind::Mobile50)['second']);
        self::assertMatchesRegularExpression('/^about \d+ seconds$/', $times(InstallationKind::WholeHouse)['dark']);
        self::assertSame('until it is pulled', self::words(InstallationKind::Mobile50)->strip()[0]['time']);
        self::assertSame('until it fails', self::words(InstallationKind::ContactorPair)->strip()[0]['time']);
    }
}
