<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Schedule;

use Escapement\Core\Schedule\Day;
use Escapement\Core\Schedule\Exercise;
use Escapement\Core\Settings\SiteExercise;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ExerciseOfSheetTest extends TestCase
{
    /** @param list<string> $days of three weeks from Monday 1 June, on which it runs */
    #[Test, DataProvider('sheets')]
    public function a_sheet_says_on_which_days_the_set_starts(int $everyDays, string $since, array $days): void
    {
        $exercise = Exercise::ofSheet(new SiteExercise(2, 630, $everyDays, true, 20, true), (int) Day::read($since));
        $from = (int) Day::read('2026-06-01');
        $due = array_filter(range($from, $from + 34), static fn(int $day): bool => $exercise?->isNominal($day) ?? false);
        self::assertSame($days, array_map(static fn(int $day): string => substr(Day::write($day), 5), array_values($due)));
        if ($exercise !== null) {
            self::assertSame([630, 20, true], [$exercise->minute, $exercise->forMin, $exercise->isWithLoad]);
        }
    }

    /** @return iterable<string, array{int, string, list<string>}> */
    public static function sheets(): iterable
    {
        $all = array_map(static fn(int $day): string => substr(Day::write((int) Day::read('2026-06-01') + $day), 5), range(0, 34));
        yield 'every day' => [1, '2026-05-20', $all];
        yield 'every week' => [7, '2026-05-20', ['06-03', '06-10', '06-17', '06-24', '07-01']];
        yield 'every second, from one of them' => [14, '2026-06-03', ['06-03', '06-17', '07-01']];
        yield 'every second, from the day after' => [14, '2026-06-04', ['06-10', '06-24']];
        yield 'every fourth' => [28, '2026-06-01', ['06-03', '07-01']];
        yield 'every third keeps none that we know' => [21, '2026-06-01', []];
        yield 'every ten days' => [10, '2026-06-01', []];
    }
}
