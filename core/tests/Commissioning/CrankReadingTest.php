<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Commissioning;

use Escapement\Core\Commissioning\CrankReading;
use Escapement\Core\Commissioning\Interval;
use Escapement\Core\Commissioning\IntervalVerdict;
use Escapement\Core\Commissioning\MarkEvent;
use Escapement\Core\Plant\Engine;
use Escapement\Core\SettingsCheck\Window;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** 2 s crank, 3.3 s run-up: good after 5.3 s. Each crank more is 15 s of cranking and 6 s of rest. */
final class CrankReadingTest extends TestCase
{
    #[Test, DataProvider('starts')]
    public function a_pass_on_a_later_crank_is_told(?int $measuredMs, int $attempts, ?int $crank): void
    {
        $engine = new Engine(2000, 15_000, 6000, $attempts, 3300, 5000);
        $window = Window::around('engine_running', 'start_signal', 5300, ($attempts - 1) * 21_000);
        $interval = new Interval(
            'engine_running',
            MarkEvent::StartSignal,
            MarkEvent::EngineRunning,
            $measuredMs,
            $window,
            IntervalVerdict::Pass,
            null,
        );

        self::assertSame($crank, CrankReading::of($engine, $interval)?->attempt);
    }

    /** @return iterable<string, array{?int, int, ?int}> */
    public static function starts(): iterable
    {
        yield 'in time' => [5300, 3, null];
        yield 'at the edge of the first window' => [6300, 3, null];
        yield 'a slow first crank' => [6301, 3, 1];
        yield 'just before a second could be' => [25_299, 3, 1];
        yield 'the second' => [26_300, 3, 2];
        yield 'the third, inside the window to 48.3 s' => [47_300, 3, 3];
        yield 'never more than the engine has' => [90_000, 3, 3];
        yield 'one crank only: the window says it all' => [20_000, 1, null];
        yield 'not timed' => [null, 3, null];
    }

    #[Test]
    public function two_utilities_have_no_crank(): void
    {
        $window = Window::around('engine_running', 'start_signal', 5300);
        $interval = new Interval(
            'engine_running',
            MarkEvent::StartSignal,
            MarkEvent::EngineRunning,
            9000,
            $window,
            IntervalVerdict::Late,
            null,
        );

        self::assertNull(CrankReading::of(null, $interval));
    }
}
