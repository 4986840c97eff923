<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\SettingsCheck;

use Escapement\Core\Finding\WorkingLine;
use Escapement\Core\Input\Node;
use Escapement\Core\Plant\Engine;
use Escapement\Core\Plant\Plant;
use Escapement\Core\Plant\PlantKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\SettingsCheck\ClassTime;
use Escapement\Core\SettingsCheck\ClassTimeVerdict;
use Escapement\Core\SettingsCheck\ExpectedTimes;
use Escapement\Core\SettingsCheck\Window;
use Escapement\Core\Wire\SettingsReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What the stopwatch is held against, worked out by hand from the sheet, and what is shown of the working. */
final class ExpectedTimesTest extends TestCase
{
    private const BAND = ['under_voltage' => ['dropout_pct' => 80, 'pickup_pct' => 90]];

    /** @param list<array{string, float|int}> $lines label and value */
    #[Test, DataProvider('workings')]
    public function the_working_shows_each_part_of_the_sum(PlantKind $kind, bool $isByButton, array $lines): void
    {
        $working = self::times($kind, $isByButton)->working;
        self::assertSame($lines, array_map(static fn(WorkingLine $one): array => [$one->expression, $one->value], $working));
        foreach ($working as $one) {
            self::assertSame('ms', $one->unit);
            self::assertNotSame('', $one->label);
        }
    }

    /** @return iterable<string, array{PlantKind, bool, list<array{string, int}>}> */
    public static function workings(): iterable
    {
        // accepted at 90 % of a run-up of 4 s: 3.6 s after it fires
        yield 'a house' => [PlantKind::Standby, false, [
            ['500 drop-out + 3000 start delay', 3500],
            ['1500 crank + 3600 run-up to its pick-up', 5100],
            ['8600 until accepted + 10000 transfer delay + 250 movement', 18_850],
            ['300000 return delay + 250 movement', 300_250],
            ['the longer of 120000 cool-down and what is left of 0 minimum run', 120_000],
            ['(3 − 1) × (10000 crank limit + 8000 rest)', 36_000],
        ]];
        yield 'a house by its button' => [PlantKind::Standby, true, [
            ['a test asks for it at once', 0],
            ['1500 crank + 3600 run-up to its pick-up', 5100],
            ['5100 until accepted + 10000 transfer delay + 250 movement', 15_350],
            ['at the latest 300000 return delay + 250 movement', 300_250],
            ['the longer of 120000 cool-down and what is left of 0 minimum run', 120_000],
            ['(3 − 1) × (10000 crank limit + 8000 rest)', 36_000],
        ]];
        yield 'two supplies' => [PlantKind::TwoSource, false, [
            ['500 drop-out + 10000 transfer delay + 250 movement', 10_750],
            ['300000 return delay + 250 movement', 300_250],
        ]];
        yield 'a vehicle' => [PlantKind::Mobile, false, [
            ['1500 crank + 3600 run-up to its pick-up', 5100],
            ['5100 until accepted + 10000 transfer delay + 250 movement', 15_350],
            ['2000 drop-out + 250 movement', 2250],
            ['(3 − 1) × (10000 crank limit + 8000 rest)', 36_000],
        ]];
    }

    /** @param ?Window $transfer null: nothing was worked out */
    #[Test, DataProvider('classes')]
    public function a_class_allows_so_many_seconds_from_loss_to_load(string $class, ?Window $transfer, ?ClassTimeVerdict $verdict): void
    {
        self::assertSame($verdict, ClassTime::of($class)?->judge($transfer));
    }

    /** @return iterable<string, array{string, ?Window, ?ClassTimeVerdict}> */
    public static function classes(): iterable
    {
        $window = static fn(?int $nominal, ?int $max): Window => new Window('transfer', 'utility_off', $nominal, $nominal, $max);
        yield 'ten seconds at the first and at the last crank' => ['emergency', $window(9000, 10_000), ClassTimeVerdict::Inside];
        yield 'ten seconds exactly' => ['emergency', $window(10_000, 10_000), ClassTimeVerdict::Inside];
        yield 'only when the first crank fires' => ['emergency', $window(10_000, 10_001), ClassTimeVerdict::FirstCrankOnly];
        yield 'a millisecond more' => ['emergency', $window(10_001, 10_001), ClassTimeVerdict::TooSlow];
        yield 'a minute' => ['legally_required', $window(60_000, 60_000), ClassTimeVerdict::Inside];
        yield 'more than a minute' => ['legally_required', $window(60_001, 70_000), ClassTimeVerdict::TooSlow];
        yield 'it never comes' => ['emergency', $window(null, null), ClassTimeVerdict::TooSlow];
        yield 'not worked out' => ['emergency', null, ClassTimeVerdict::NotKnown];
        yield 'no time is set' => ['optional', $window(100_000, 100_000), null];
        yield 'no class' => ['none', null, null];
    }

    private static function times(PlantKind $kind, bool $isByButton): ExpectedTimes
    {
        $source = new Source(2, 120, 60);
        $plant = new Plant(
            $kind,
            $source,
            $source,
            $kind->hasEngine() ? new Engine(1500, 10_000, 8000, 3, 4000, 5000) : null,
        );
        $settings = [
            'sensing' => [
                'normal' => self::BAND + ['dropout_delay_ms' => 500], 'emergency' => self::BAND + ['dropout_delay_ms' => 2000],
            ],
            'transfer_delay_ms' => 10_000, 'travel_ms' => 250,
        ] + match ($kind) {
            PlantKind::Standby => ['start_delay_ms' => 3000, 'return_delay_ms' => 300_000, 'cooldown_ms' => 120_000],
            PlantKind::TwoSource => ['start_delay_ms' => 0, 'return_delay_ms' => 300_000, 'cooldown_ms' => 0],
            default => [],
        };

        return new ExpectedTimes($plant, (new SettingsReader())->settings(Node::fromArray($settings), $plant), $isByButton);
    }
}
