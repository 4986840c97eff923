<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Recording\CsvColumns;
use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\RmsSteps;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class CsvTableTest extends TestCase
{
    /**
     * @param list<int>         $atMs
     * @param list<list<float>> $v
     */
    #[Test, DataProvider('tables')]
    public function a_table_is_understood_from_its_headings(string $text, array $atMs, array $v, ?float $hz): void
    {
        $table = CsvTable::look($text);
        $columns = CsvColumns::guess($table->headings, count($v));
        $series = $table->read(str_split($text, 7), $columns, new RmsSteps(count($v)));
        self::assertSame($atMs, $series->atMs);
        self::assertSame($v, $series->v);
        self::assertSame($hz, $series->hz[0]);
    }

    /** @return iterable<string, array{string, list<int>, list<list<float>>, ?float}> */
    public static function tables(): iterable
    {
        yield 'plain' => ["t_ms,l1_v,l2_v,hz\n0,120,121,60\n1500,0,0,60\n", [0, 1500], [[120.0, 0.0], [121.0, 0.0]], 60.0];
        yield 'seconds and decimal commas' => [
            "Time s;U1 V;U2 V\n0,5;230,4;229\n1,25;12,5;0\n",
            [0, 750],
            [[230.4, 12.5], [229.0, 0.0]],
            null,
        ];
        yield 'dates, kilovolts, mark of the beginning' => [
            "\xEF\xBB\xBFTimestamp\tVoltage kV\r\n2026-03-01T10:00:00.000Z\t7.2\r\n2026-03-01T10:00:00.250Z\t7.0\r\n",
            [0, 250],
            [[7200.0, 7000.0]],
            null,
        ];
        yield 'no headings' => ["0,120\n2,0\n", [0, 2000], [[120.0, 0.0]], null];
        yield 'steady values fold' => ["t,V\n0,120\n1,120\n2,120\n3,0\n", [0, 3000], [[120.0, 0.0]], null];
        yield 'the last of one millisecond holds' => ["t_ms,V\n0,120\n5,110\n5,90\n", [0, 5], [[120.0, 90.0]], null];
    }

    #[Test, DataProvider('faults')]
    public function a_fault_is_told_with_its_line(string $text, string $says): void
    {
        $this->expectException(RecordingFault::class);
        $this->expectExceptionMessageMatches($says);
        $table = CsvTable::look($text);
        $table->read([$text], CsvColumns::guess($table->headings, 1), new RmsSteps(1));
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'empty' => ['', '/no table/'];
        yield 'bytes' => ["PK\x03\x04\0\0\0", '/no table/'];
        yield 'one column' => ["voltage\n120\n", '/line 1.*two columns/'];
        yield 'a word among the values' => ["t,V\n0,120\n1,off\n", '/line 3: "off"/'];
        yield 'a line too short' => ["t,V\n0,120\n1\n", '/line 3: 2 columns/'];
        yield 'time goes back' => ["t,V\n0,120\n5,120\n4,0\n", '/line 4.*goes back/'];
        yield 'headings alone' => ["t,V\n", '/no line with measurements/'];
        yield 'no date' => ["date,V\nyesterday at tea,120\n", '/line 2/'];
    }

    #[Test, DataProvider('ends')]
    public function the_line_of_a_fault_is_the_same_wherever_the_file_is_torn(string $end): void
    {
        $text = implode($end, ['t,V', '0,120', '1,119', '2,off', '3,120', '']);
        $table = CsvTable::look($text);
        for ($at = 0; $at <= strlen($text); $at++) {
            try {
                $pieces = [substr($text, 0, $at), substr($text, $at)];
                $table->read($pieces, CsvColumns::guess($table->headings, 1), new RmsSteps(1));
                self::fail('A word is no voltage.');
            } catch (RecordingFault $e) {
                self::assertStringContainsString('line 4', $e->getMessage(), "torn after $at bytes");
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function ends(): iterable
    {
        yield 'line feed' => ["\n"];
        yield 'return and line feed' => ["\r\n"];
        yield 'return' => ["\r"];
    }
}
