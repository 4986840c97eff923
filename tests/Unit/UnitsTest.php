<?php

declare(strict_types=1);

namespace Tests\Unit;

use App\Bridge\Units;
use App\Stage\Settings\SheetField;
use Escapement\Core\Settings\SheetWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class UnitsTest extends TestCase
{
    #[Test]
    public function feet_are_stored_as_metres_and_read_back_as_feet(): void
    {
        $us = new Units('us');
        self::assertEqualsWithDelta(304.8, $us->toMetres(1000), 1e-9);
        self::assertEqualsWithDelta(1000, $us->fromMetres($us->toMetres(1000)), 1e-9);
        self::assertSame(250.0, (new Units('metric'))->toMetres(250));
        self::assertSame(['ft', 'm'], [$us->length(), (new Units('metric'))->length()]);
    }

    #[Test, DataProvider('times')]
    public function a_time_is_read_out_and_typed_as_people_do(int $ms, string $read, string $typed): void
    {
        self::assertSame($read, SheetWords::seconds($ms));
        self::assertSame($typed, (new SheetField('/x_ms', 'X', 's'))->typed(['x_ms' => $ms]));
    }

    /** @return iterable<string, array{int, string, string}> */
    public static function times(): iterable
    {
        yield 'nothing' => [0, "0.0\u{202F}s", '0'];
        yield 'half a second' => [500, "0.5\u{202F}s", '0.5'];
        yield 'a twentieth' => [50, "0.05\u{202F}s", '0.05'];
        yield 'a thousandth' => [20_951, "20.951\u{202F}s", '20.951'];
        yield 'under a hundred seconds' => [99_900, "99.9\u{202F}s", '99.9'];
        yield 'five minutes' => [300_000, '5:00.0', '300'];
        yield 'rounded at the tenth' => [119_960, '2:00.0', '119.96'];
    }

    #[Test, DataProvider('labels')]
    public function a_setting_is_called_by_its_word_of_the_trade(string $path, string $label): void
    {
        self::assertSame($label, SheetWords::label($path));
    }

    /** @return iterable<string, array{string, string}> */
    public static function labels(): iterable
    {
        yield 'a delay' => ['/cooldown_ms', 'Cool-down'];
        yield 'a limit' => ['/sensing/normal/over_voltage', 'Utility over-voltage'];
        yield 'an end of it' => ['/sensing/emergency/under_frequency/pickup_pct', 'Generator under-frequency pick-up'];
        yield 'shedding' => ['/load_shed/lockout_ms', 'Lock-out after shedding'];
        yield 'something new' => ['/something_new', '/something_new'];
    }
}
