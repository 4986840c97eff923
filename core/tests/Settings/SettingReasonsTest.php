<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Settings\Template\SettingReasons;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SettingReasonsTest extends TestCase
{
    #[Test, DataProvider('paths')]
    public function of_two_supplies_nothing_is_said_that_only_a_set_has(string $path): void
    {
        $reason = (new SettingReasons((new SheetTemplate(InstallationKind::ContactorPair))->plant()))->of($path);

        self::assertNotSame('', $reason);
        self::assertDoesNotMatchRegularExpression('/wear|oil|regulator|governor|battery|Warm|runs away|stops hot|utility/', $reason);
    }

    /** @return iterable<string, array{string}> */
    public static function paths(): iterable
    {
        foreach ([
            '/sensing/emergency/under_frequency/pickup_pct', '/sensing/emergency/over_frequency', '/sensing/emergency/dropout_delay_ms',
            '/start_delay_ms', '/transfer_delay_ms', '/return_delay_ms', '/cooldown_ms', '/min_run_ms', '/commit_to_transfer',
        ] as $path) {
            yield $path => [$path];
        }
    }

    #[Test]
    public function both_supplies_are_told_by_the_band_of_their_own_voltage(): void
    {
        $reasons = new SettingReasons((new SheetTemplate(InstallationKind::ContactorPair))->plant());

        self::assertSame($reasons->of('/sensing/normal/under_voltage'), $reasons->of('/sensing/emergency/under_voltage'));
        $house = new SettingReasons((new SheetTemplate(InstallationKind::WholeHouse))->plant());
        self::assertStringContainsString('block of load', $house->of('/sensing/emergency/under_voltage/pickup_pct'));
        self::assertStringContainsString('110', $house->of('/sensing/normal/under_voltage'));
    }

    #[Test, DataProvider('supplies')]
    public function what_a_supply_may_lawfully_deliver_is_said_in_its_volts(float $volts, float $hertz, string $under, string $over): void
    {
        $source = new Source(2, $volts, $hertz);
        $reasons = new SettingReasons(new Plant(PlantKind::Standby, $source, $source, new Engine(1000, 5000, 5000, 3, 1000, 1000)));

        self::assertStringContainsString($under, $reasons->of('/sensing/normal/under_voltage/pickup_pct'));
        self::assertStringContainsString($over, $reasons->of('/sensing/normal/over_voltage'));
        self::assertStringContainsString('A lost neutral drives one leg high', $reasons->of('/sensing/normal/over_voltage'));
    }

    /** @return iterable<string, array{float, float, string, string}> */
    public static function supplies(): iterable
    {
        yield '120 V' => [120.0, 60.0, 'supply 110–127 V (ANSI C84.1 range B): pick-up lies below', '110–127 V (ANSI C84.1 range B): both'];
        yield '277 V' => [277.0, 60.0, 'supply 254–293 V', 'supply 254–293 V'];
        yield 'elsewhere' => [230.0, 50.0, '90 to', 'up to 110 %'];
    }

    #[Test]
    public function of_what_has_no_reason_nothing_is_said(): void
    {
        self::assertSame('', (new SettingReasons((new SheetTemplate(InstallationKind::WholeHouse))->plant()))->of('/no/such'));
    }
}
