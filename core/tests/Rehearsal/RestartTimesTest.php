<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Rehearsal;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Load;
use Escapement\Core\Rehearsal\RestartTimes;
use Escapement\Core\Rehearsal\Story;
use Escapement\Core\Settings\LoadShedding;
use Escapement\Core\Settings\Settings;
use Escapement\Core\Settings\Template\SheetTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** When each load is back, however long its steps and its lock-outs are. */
final class RestartTimesTest extends TestCase
{
    /** @param array<string, ?int> $backMs */
    #[Test, DataProvider('sheds')]
    public function every_load_that_fits_comes_back_in_its_turn(?LoadShedding $shed, array $backMs, float $finalKw): void
    {
        $loads = [
            new Load('light', 1, 1, false), new Load('pump', 3, 2, true), new Load('heat', 4, 3, true), new Load('air', 5, 4, true, true),
        ];
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $times = new RestartTimes($template->plant(), self::with($template->settings(), $shed), $loads);
        self::assertSame($backMs, $times->backMs);
        self::assertSame($finalKw, $times->finalKw);
    }

    /** @return iterable<string, array{?LoadShedding, array<string, ?int>, float}> */
    public static function sheds(): iterable
    {
        yield 'nothing is shed' => [null, ['light' => 0, 'pump' => 0, 'heat' => 0, 'air' => 0], 13.0];
        yield 'one after the other' => [
            new LoadShedding(20, 10_000, 5000, 1000, 0), ['light' => 0, 'pump' => 10_000, 'heat' => 15_000, 'air' => 20_000], 13.0,
        ];
        yield 'an hour for the first, ten minutes a step' => [
            new LoadShedding(20, 3_600_000, 600_000, 1000, 0),
            ['light' => 0, 'pump' => 3_600_000, 'heat' => 4_200_000, 'air' => 4_800_000], 13.0,
        ];
        yield 'a compressor waits for its lock-out' => [
            new LoadShedding(20, 10_000, 5000, 1000, 3_600_000),
            ['light' => 0, 'pump' => 10_000, 'heat' => 15_000, 'air' => 3_600_000], 13.0,
        ];
        yield 'what does not fit stays off' => [
            new LoadShedding(9, 10_000, 5000, 1000, 0), ['light' => 0, 'pump' => 10_000, 'heat' => 15_000, 'air' => null], 8.0,
        ];
    }

    private static function with(Settings $settings, ?LoadShedding $shed): Settings
    {
        return $shed === null ? $settings : $settings->withLoadShed($shed);
    }

    #[Test]
    public function an_overload_is_a_story_of_a_sheet_that_sheds_and_of_a_switch_with_loads(): void
    {
        $template = new SheetTemplate(InstallationKind::WholeHouse);
        $shed = new LoadShedding(20, 10_000, 5000, 1000, 0);
        $loads = [new Load('pump', 3, 2, true)];
        $fits = static fn(?LoadShedding $shed, array $loads): bool => Story::Overload->fits(
            $template->plant(),
            self::with($template->settings(), $shed),
            $loads,
        );
        self::assertSame([true, false, false], [$fits($shed, $loads), $fits(null, $loads), $fits($shed, [])]);
    }
}
