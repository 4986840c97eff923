<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Settings;

use Escapement\Core\Settings\SheetWords;
use Escapement\Core\Settings\TypedTime;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class TypedTimeTest extends TestCase
{
    #[Test, DataProvider('times')]
    public function a_time_is_read_as_people_write_it(string $typed, ?int $ms): void
    {
        self::assertSame($ms, TypedTime::ms($typed));
    }

    /** @return iterable<string, array{string, ?int}> */
    public static function times(): iterable
    {
        $times = [
            '300' => 300_000, '300 s' => 300_000, '5 min' => 300_000, '5m' => 300_000, '5:00' => 300_000, '5:00.1' => 300_100,
            '1:02:03,5' => 3_723_500, '0.3' => 300, '0,3' => 300,
            '300,5' => 300_500, '250 ms' => 250, '0.5 min' => 30_000, '1.5 h' => 5_400_000, '0.0005' => null, '0.5 ms' => null,
            '5:60' => null, '1:75:00' => null, 'soon' => null,
            '2 sec' => 2000, '2 SEC' => 2000, '1:60:00' => null, '0:59:59.999' => 3_599_999, '5:59.9999' => null,
            '1.0000 s' => 1000, '0.001' => 1,
            '2h' => 7_200_000, '' => null, '-3' => null, '1,200.5' => null, "5\u{202F}min" => 300_000, '90:00' => 5_400_000,
        ];
        foreach ($times as $typed => $ms) {
            yield "\"$typed\"" => [(string) $typed, $ms];
        }
    }

    #[Test]
    public function whatever_is_shown_is_read_back(): void
    {
        foreach ([0, 1, 300, 999, 1000, 59_900, 99_999, 100_000, 300_100, 3_600_000] as $ms) {
            $shown = SheetWords::seconds($ms);
            self::assertEqualsWithDelta($ms, TypedTime::ms($shown), 50, "$ms as $shown");
        }
    }
}
