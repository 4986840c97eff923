<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\LegSystem;
use Escapement\Core\Power\PlausibleLoad;
use Escapement\Core\Settings\Doubts;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What nobody means is asked back; what a template says never is. */
final class DoubtsTest extends TestCase
{
    #[Test]
    public function no_template_raises_a_doubt(): void
    {
        foreach (InstallationKind::cases() as $kind) {
            self::assertSame([], Doubts::of((new SheetTemplate($kind))->settings()->toWire()), $kind->value);
        }
    }

    #[Test]
    public function a_return_delay_of_83_hours_is_asked_back(): void
    {
        $wire = ['return_delay_ms' => 300_000_000] + (new SheetTemplate(InstallationKind::WholeHouse))->settings()->toWire();
        self::assertSame(['/return_delay_ms'], array_keys(Doubts::of($wire)));
        self::assertStringContainsString('83.3 h', Doubts::of($wire)['/return_delay_ms']);
        self::assertSame([], Doubts::of(['return_delay_ms' => 14_400_000] + $wire));
    }

    #[Test, DataProvider('loads')]
    public function a_load_beyond_the_supply_of_its_kind_is_asked_back(
        string $system,
        float $volts,
        bool $isMobile,
        float $kw,
        bool $isAsked,
    ): void {
        self::assertSame($isAsked, PlausibleLoad::doubt(LegSystem::of($system, $volts), $isMobile, $kw) !== null);
    }

    /** @return iterable<string, array{string, float, bool, float, bool}> */
    public static function loads(): iterable
    {
        yield 'a range in a house' => ['split', 120.0, false, 8.0, false];
        yield 'a whole service' => ['split', 120.0, false, 96.0, false];
        yield '3500 kW in a house: watts for kilowatts' => ['split', 120.0, false, 3500.0, true];
        yield 'a heater in a van' => ['single', 120.0, true, 1.5, false];
        yield 'a house in a van' => ['single', 120.0, true, 35.0, true];
        yield 'a plant room' => ['three', 277.0, false, 2500.0, false];
        yield 'a power station' => ['three', 277.0, false, 5000.0, true];
    }
}
