<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Settings\Doubts;
use Escapement\Core\Settings\Fuel;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\SiteExercise;
use Escapement\Core\Settings\Template\ReturnDelayMethod;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** How a setting is called and read out, and which of them is asked back. */
final class SheetWordsTest extends TestCase
{
    #[Test, DataProvider('labels')]
    public function a_setting_is_called_as_a_technician_calls_it(string $path, string $label): void
    {
        self::assertSame($label, SheetWords::label($path));
    }

    /** @return iterable<string, array{string, string}> */
    public static function labels(): iterable
    {
        $labels = [
            '/start_delay_ms' => 'Start delay', '/off_delay_ms' => 'Centre-off time', '/load_shed/step_ms' => 'Between loads',
            '/sensing/normal/under_voltage/dropout_pct' => 'Utility under-voltage drop-out',
            '/sensing/normal/over_voltage/pickup_pct' => 'Utility over-voltage pick-up',
            '/sensing/emergency/under_frequency/pickup_pct' => 'Generator under-frequency pick-up',
            '/sensing/emergency/over_frequency' => 'Generator over-frequency',
            '/sensing/normal/unbalance/dropout_pct' => 'Utility unbalance drop-out',
            '/sensing/normal/rotation_check' => 'Utility phase order',
            '/sensing/emergency/dropout_delay_ms' => 'Generator drop-out delay',
            '/sensing/normal/something_new' => 'Utility something_new', '/something/else' => '/something/else',
        ];
        foreach ($labels as $path => $label) {
            yield $path => [$path, $label];
        }
    }

    #[Test, DataProvider('values')]
    public function a_value_is_read_out_with_its_unit(string $path, mixed $value, string $words): void
    {
        self::assertSame($words, str_replace("\u{202F}", ' ', SheetWords::value($path, $value)));
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function values(): iterable
    {
        yield 'nothing' => ['/exercise', null, 'off'];
        yield 'yes' => ['/commit_to_transfer', true, 'yes'];
        yield 'no' => ['/commit_to_transfer', false, 'no'];
        yield 'a word' => ['/transition', 'open', 'open'];
        yield 'a share' => ['/sensing/normal/under_voltage/dropout_pct', 87.5, '87.5 %'];
        yield 'a power' => ['/load_shed/limit_kw', 12, '12 kW'];
        yield 'tenths' => ['/start_delay_ms', 1500, '1.5 s'];
        yield 'whole seconds' => ['/start_delay_ms', 3000, '3.0 s'];
        yield 'thousandths' => ['/start_delay_ms', 1234, '1.234 s'];
        yield 'hundredths' => ['/start_delay_ms', 1250, '1.25 s'];
        yield 'the last that is seconds' => ['/start_delay_ms', 99_999, '99.999 s'];
        yield 'the first that is minutes' => ['/start_delay_ms', 100_000, '1:40.0'];
        yield 'half a tenth is rounded up' => ['/start_delay_ms', 125_050, '2:05.1'];
        yield 'less than half is not' => ['/start_delay_ms', 125_049, '2:05.0'];
        yield 'an hour' => ['/return_delay_ms', 3_600_000, '60:00.0'];
        yield 'a pair' => [
            '/sensing/normal/under_voltage', ['dropout_pct' => 85, 'pickup_pct' => 90], 'drop-out 85 %, pick-up 90 %',
        ];
        yield 'several' => [
            '/exercise', ['every_ms' => 60_000, 'with_load' => true], 'every 60.0 s, with load yes',
        ];
        yield 'what cannot be read out' => ['/x', new \stdClass(), ''];
    }

    #[Test, DataProvider('longest')]
    public function what_is_longer_than_anybody_means_is_asked_back(string $path, int $longest, string $words): void
    {
        $wire = static function (int $ms) use ($path): array {
            $sheet = (new SheetTemplate(InstallationKind::EssentialCircuits))->settings()->withLoadShed(
                new LoadShedding(10, 5000, 5000, 5000, 5000),
            )->toWire();
            $place = &$sheet;
            foreach (explode('/', substr($path, 1)) as $key) {
                self::assertArrayHasKey($key, $place, 'it is on the sheet by that name');
                $place = &$place[$key];
            }
            $place = $ms;

            return $sheet;
        };
        self::assertSame([], Doubts::of($wire($longest)));
        $asked = Doubts::of($wire($longest + 1));
        self::assertSame([$path], array_keys($asked));
        self::assertStringEndsWith("Usual controllers end at $words.", $asked[$path]);
    }

    /** @return iterable<string, array{string, int, string}> */
    public static function longest(): iterable
    {
        yield 'start' => ['/start_delay_ms', 600_000, '10 min'];
        yield 'transfer' => ['/transfer_delay_ms', 1_800_000, '30 min'];
        yield 'return' => ['/return_delay_ms', 14_400_000, '4 h'];
        yield 'cool-down' => ['/cooldown_ms', 7_200_000, '2 h'];
        yield 'minimum run' => ['/min_run_ms', 43_200_000, '12 h'];
        yield 'travel' => ['/travel_ms', 60_000, '1 min'];
        yield 'centre-off' => ['/off_delay_ms', 600_000, '10 min'];
        yield 'drop-out' => ['/sensing/normal/dropout_delay_ms', 300_000, '5 min'];
        yield 'drop-out of the second' => ['/sensing/emergency/dropout_delay_ms', 300_000, '5 min'];
        yield 'first load' => ['/load_shed/first_step_ms', 3_600_000, '60 min'];
        yield 'between loads' => ['/load_shed/step_ms', 3_600_000, '60 min'];
        yield 'overload' => ['/load_shed/overload_ms', 600_000, '10 min'];
        yield 'lock-out' => ['/load_shed/lockout_ms', 14_400_000, '4 h'];
    }

    #[Test]
    public function a_doubt_says_the_setting_and_how_long_it_is(): void
    {
        self::assertSame(
            ['/cooldown_ms' => 'Cool-down of 2.5 h: is that meant? Usual controllers end at 2 h.'],
            Doubts::of(['cooldown_ms' => 9_000_000]),
        );
        self::assertStringStartsWith('Travel of 1.5 min:', Doubts::of(['travel_ms' => 90_000])['/travel_ms']);
    }

    #[Test, DataProvider('shifts')]
    public function an_exercise_shifted_over_midnight_is_on_the_day_it_comes_to(int $day, int $minute, int $by, int $onDay, int $at): void
    {
        $shifted = (new SiteExercise($day, $minute, 14, true, 20, false))->shifted($by);
        self::assertSame([$onDay, $at, 14, 20], [$shifted->day, $shifted->minute, $shifted->everyDays, $shifted->forMinutes]);
        self::assertTrue($shifted->keepsDay);
        self::assertFalse($shifted->withLoad);
    }

    /** @return iterable<string, array{int, int, int, int, int}> day, minute, shifted by, day and minute then */
    public static function shifts(): iterable
    {
        yield 'an hour later' => [2, 600, 60, 2, 660];
        yield 'an hour earlier' => [2, 600, -60, 2, 540];
        yield 'into the next day' => [2, 1410, 60, 3, 30];
        yield 'onto midnight' => [2, 1380, 60, 3, 0];
        yield 'into the day before' => [2, 30, -60, 1, 1410];
        yield 'past the end of the week' => [6, 1410, 60, 0, 30];
        yield 'before its beginning' => [0, 30, -60, 6, 1410];
    }

    #[Test]
    public function each_fuel_and_each_school_of_the_return_has_words_of_its_own(): void
    {
        $fuels = array_map(static fn(Fuel $one): string => $one->label(), Fuel::cases());
        self::assertSame(['diesel', 'natural gas', 'LP', 'petrol', 'battery'], $fuels);
        self::assertSame(['Short', 'Storm-wise', 'Critical site'], array_map(
            static fn(ReturnDelayMethod $one): string => $one->label(),
            ReturnDelayMethod::cases(),
        ));
        $reasons = array_map(static fn(ReturnDelayMethod $one): string => $one->reason(), ReturnDelayMethod::cases());
        self::assertCount(3, array_unique(array_filter($reasons)));
    }
}
