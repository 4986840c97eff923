<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Plant\InstallationKind;
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
}
