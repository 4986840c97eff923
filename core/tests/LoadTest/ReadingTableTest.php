<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\LoadTest;

use Escapement\Core\LoadTest\ReadingTable;
use Escapement\Core\LoadTest\TableColumns;
use Escapement\Core\LoadTest\TableReading;
use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\RecordingFault;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Readings out of the table of a recorder. */
final class ReadingTableTest extends TestCase
{
    private const HEAD = "time,V L1,V L2,A L1,A L2,Hz,kW,Oil,Coolant\n";
    private const START = 1795702400.0; // 2026-11-26 14:13:20 UTC

    #[Test]
    public function its_clock_is_put_right_and_one_line_a_minute_is_taken(): void
    {
        $lines = self::HEAD;
        for ($s = 0; $s <= 300; $s += 20) {
            $lines .= gmdate('Y-m-d H:i:s', (int) self::START - 3600 + $s) . ",120.1,119.8,40,41.5,60.02,9.8,55,180\n";
        }
        $readings = self::read($lines, offsetS: 150, zone: 'UTC', startS: self::START - 3600);
        self::assertCount(6, $readings);
        self::assertSame([self::START - 3450, self::START - 3390], [$readings[0]->atS, $readings[1]->atS]);
        self::assertSame([2, 5], [$readings[0]->line, $readings[1]->line]);
        self::assertEquals([[120.1, 119.8], [40.0, 41.5], 60.02, 9.8, 55.0, 180.0, null], [
            $readings[0]->volts, $readings[0]->amps, $readings[0]->hertz, $readings[0]->kw, $readings[0]->oil, $readings[0]->coolant,
            $readings[0]->exhaust,
        ]);
    }

    #[Test]
    public function an_hour_is_one_of_its_time_zone(): void
    {
        $lines = self::HEAD . "2026-11-26 09:00:00,120,120,1,1,60,,,\n";
        $readings = self::read($lines, zone: 'America/New_York');
        self::assertSame(gmmktime(14, 0, 0, 11, 26, 2026), (int) $readings[0]->atS);
        self::assertNull($readings[0]->kw);
    }

    #[Test]
    public function a_column_of_seconds_counts_from_the_beginning_of_the_test_and_a_decimal_comma_is_read(): void
    {
        $lines = "t_s;V L1;V L2;A L1;A L2;Hz\n0;120,5;120,1;4,5;4;60,02\n90;120;120;4;4;60\n";
        $readings = self::read($lines, startS: self::START - 7200);
        self::assertSame([self::START - 7200, self::START - 7110], [$readings[0]->atS, $readings[1]->atS]);
        self::assertSame([120.5, 120.1], $readings[0]->volts);
    }

    #[Test, DataProvider('faults')]
    public function a_fault_is_told_with_its_line(string $lines, string $said): void
    {
        try {
            self::read($lines);
            self::fail('It was read.');
        } catch (RecordingFault $fault) {
            self::assertStringContainsString($said, $fault->getMessage());
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        $good = "2026-11-26 14:00:00,120,120,1,1,60,,,\n";
        yield 'nothing but a heading' => [self::HEAD, 'no line with readings'];
        yield 'words for volts' => [self::HEAD . $good . "2026-11-26 14:01:00,off,120,1,1,60,,,\n", 'line 3: "off" is no number'];
        yield 'a NUL' => [self::HEAD . $good . "2026-11-26 14:01:00,1\0,120,1,1,60,,,\n", 'no table of text'];
        yield 'time goes back' => [self::HEAD . $good . "2026-11-26 13:59:00,120,120,1,1,60,,,\n", 'line 3: The time does not go on'];
        yield 'the same moment' => [self::HEAD . $good . $good, 'line 3: The time does not go on'];
        yield 'no time at all' => [self::HEAD . "soon,120,120,1,1,60,,,\n", 'line 2: "soon" is no date'];
        yield 'an hour without its day' => [self::HEAD . "14:00,120,120,1,1,60,,,\n", 'An hour without a day'];
        yield 'another day' => [self::HEAD . "2026-11-24 14:00:00,120,120,1,1,60,,,\n", 'hours before the test began'];
        yield 'the future' => [self::HEAD . "2026-11-26 14:30:00,120,120,1,1,60,,,\n", 'has not happened yet'];
        yield 'a negative current' => [self::HEAD . "2026-11-26 14:00:00,120,120,-1,1,60,,,\n", 'not below zero'];
        yield 'a column too few' => [self::HEAD . $good . "2026-11-26 14:01:00,120\n", 'line 3: 9 columns are needed'];
        yield 'no hertz in it' => ["time,V L1,V L2,A L1,A L2\n2026-11-26 14:00:00,1,1,1,1\n", 'Say which columns'];
    }

    /** @return list<TableReading> */
    private static function read(string $lines, float $offsetS = 0, string $zone = 'UTC', float $startS = self::START): array
    {
        $table = CsvTable::look($lines);

        return (new ReadingTable(
            TableColumns::guess($table->headings, 2),
            new \DateTimeZone($zone),
            60,
            $offsetS,
            $startS,
            self::START,
        ))->read($table, str_split($lines, 37));
    }
}
