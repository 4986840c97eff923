<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Plant\Side;
use Escapement\Core\Plant\Source;
use Escapement\Core\Recording\Climate;
use Escapement\Core\Recording\ComtradeConfig;
use Escapement\Core\Recording\ComtradeData;
use Escapement\Core\Recording\CsvColumns;
use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\DataFormat;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\Series;
use Escapement\Core\Recording\UtilityTrace;
use Escapement\Core\Simulation\ScenarioEvent;
use Escapement\Core\Simulation\Verb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Every sample of a small file: its moment, its volts, its hertz, in pieces of any size. */
final class ExactSamplesTest extends TestCase
{
    /** Kilovolts on the secondary side of 10 to 1, offset half a kilovolt; and hertz. */
    private const CHANNELS = ['1,A,A,,kV,0.1,0.5,0,-99999,99999,10,1,S', '2,f,,,Hz,0.01,0,0,-99999,99999,1,1,P'];

    /** @param list<array{float, array<int, float>, ?float}> $expected */
    #[Test, DataProvider('files')]
    public function a_file_is_these_samples(string $format, string $rate, string $data, array $expected): void
    {
        $config = ComtradeConfig::parse(self::config($format, $rate));
        foreach ([1, 3, 7, 1000] as $piece) {
            $sink = new Samples();
            (new ComtradeData($config, [0], 1, 2.0))->read(str_split($data, $piece), $sink);
            self::assertEqualsWithDelta($expected, $sink->taken, 1e-9, "in pieces of $piece");
        }
    }

    /** @return iterable<string, array{string, string, string, list<array{float, array<int, float>, ?float}>}> */
    public static function files(): iterable
    {
        // 0.1 · raw + 0.5 kV, times 10 for the primary side, times the 2 that was asked for
        $v = static fn(float $raw): array => [(0.1 * $raw + 0.5) * 1000 * 10 * 2];
        $steady = [[0.0, $v(3), 60.0], [2.0, $v(3), 60.0], [4.0, $v(-4), 59.5]];
        yield 'text at a steady rate, a value missing' => ['ASCII', '500,3', "1,0,3,6000\r\n2,2000,99999,\r\n3,4000,-4,5950\r\n", $steady];
        yield 'text without an end to its last line' => ['ASCII', '500,3', "1,0,3,6000\n2,2000,3,6000\n\n3,4000,-4,5950", $steady];
        yield 'text with an end of file' => ['ASCII', '500,3', "1,0,3,6000\n2,2000,3,6000\n3,4000,-4,5950\n\x1a\n\x1a", $steady];
        $words = pack('VVvv', 1, 0, 3, 6000) . pack('VVvv', 2, 2000, 0x8000, 0x8000) . pack('VVvv', 3, 4000, 0x10000 - 4, 5950);
        yield 'words at a steady rate, both missing' => ['BINARY', '500,3', $words, $steady];
        $longs = pack('VVVV', 1, 0, 3, 6000) . pack('VVVV', 2, 2000, 0x80000000, 0x80000000)
            . pack('VVVV', 3, 4000, 0x100000000 - 4, 5950);
        yield 'double words' => ['BINARY32', '500,3', $longs, $steady];
        $floats = pack('VVgg', 1, 0, 3, 6000) . pack('VVgg', 2, 2000, 3, 6000) . pack('VVgg', 3, 4000, -4, 5950);
        yield 'floats' => ['FLOAT32', '500,3', $floats, $steady];
        $late = [[0.0, $v(3), 60.0], [2.5, $v(3), 60.0], [9.0, $v(-4), 59.5]];
        yield 'text by its time stamps' => ['ASCII', '0,3', "1,0,3,6000\n2,2500,3,6000\n3,9000,-4,5950\n", $late];
        yield 'words by their time stamps' => [
            'BINARY', '0,3', pack('VVvv', 1, 0, 3, 6000) . pack('VVvv', 2, 2500, 3, 6000) . pack('VVvv', 3, 9000, 0x10000 - 4, 5950), $late,
        ];
    }

    #[Test, DataProvider('brokenFiles')]
    public function what_is_wrong_is_named_by_its_place(string $format, string $data, string $words): void
    {
        $this->expectExceptionObject(new RecordingFault($words));
        (new ComtradeData(ComtradeConfig::parse(self::config($format, '500,3')), [0], 1))->read([$data], new Samples());
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function brokenFiles(): iterable
    {
        $line = static fn(int $n, string $value = '3'): string => "$n,0,$value,6000\n";
        yield 'a line too few' => ['ASCII', $line(1) . $line(2), 'Data, line 2: 3 samples are announced; the file ends after 2.'];
        yield 'a line too many' => [
            'ASCII', $line(1) . $line(2) . $line(3) . $line(4), 'Data, line 4: 3 samples are announced; the file goes on after them.',
        ];
        yield 'a field too few' => ['ASCII', $line(1) . "2,0,3\n", 'Data, line 2: 4 fields are needed, there are 3.'];
        $word = str_repeat('ä', 31);
        $cut = str_repeat('ä', 30);
        yield 'a word for a number, cut' => ['ASCII', $line(1) . $line(2, $word), "Data, line 2: \"$cut\" is no number."];
        yield 'a line without an end' => ['ASCII', $line(1) . str_repeat('3', 20_001), 'Data, line 2: This line is longer than 20 kB.'];
        yield 'bytes too few' => [
            'BINARY', str_repeat("\0", 35), 'Data, byte 35: 3 samples of 12 bytes are announced, 36 bytes in all; the file ends here.',
        ];
        yield 'bytes too many' => [
            'BINARY', str_repeat("\0", 48), 'Data, byte 36: 3 samples of 12 bytes are announced; the file goes on after them.',
        ];
        yield 'a float that is none' => [
            'FLOAT32', pack('VVgg', 1, 0, 3, 6000) . pack('VVgg', 2, 0, NAN, 1), 'Data, byte 16: A value here is no number.',
        ];
    }

    private static function config(string $format, string $rate): string
    {
        $steps = str_starts_with($rate, '0,') ? '0' : '1';

        return implode("\r\n", [
            'Mill lane,dev,2013', '2,2A,0D', ...self::CHANNELS, '60', $steps, $rate, '23/11/2026,09:00:00.000000',
            '23/11/2026,09:00:00.000000', $format, '1', '',
        ]);
    }

    /** @param list<array{float, array<int, float>, ?float}> $expected */
    #[Test, DataProvider('tables')]
    public function a_table_is_these_samples(string $text, CsvColumns $columns, array $expected): void
    {
        foreach ([1, 2, 5, 1000] as $piece) {
            $sink = new Samples();
            CsvTable::look($text)->read(str_split($text, $piece), $columns, $sink);
            self::assertEqualsWithDelta($expected, $sink->taken, 1e-9, "in pieces of $piece");
        }
    }

    /** @return iterable<string, array{string, CsvColumns, list<array{float, array<int, float>, ?float}>}> */
    public static function tables(): iterable
    {
        $two = [[500.0, [120.0], 60.0], [1500.0, [0.0], 59.5]];
        yield 'seconds' => ["t,v,hz\n0.5,120,60\n1.5,0,59.5\n", new CsvColumns(0, 's', [1], 2), $two];
        yield 'milliseconds, in kilovolts' => ["t,v,hz\n500,0.12,60\n1500,0,59.5\n", new CsvColumns(0, 'ms', [1], 2, 1000.0), $two];
        yield 'as it is, where no factor is given' => ["t;v\n1;120.5\n", new CsvColumns(0, 's', [1]), [[1000.0, [120.5], null]]];
        yield 'commas in figures' => ["t;v;hz\r\n0,5;120;60\r\n1,5;0;59,5\r\n", new CsvColumns(0, 's', [1], 2), $two];
        yield 'no heading, a mark of bytes, tabs' => ["\xEF\xBB\xBF0.5\t120\t60\n\n1.5\t0\t59.5", new CsvColumns(0, 's', [1], 2), $two];
        $atMs = 1_795_427_999_250.0; // 2026-11-23 09:59:59.25 UTC
        yield 'dates with parts of a second' => [
            "at,v\n2026-11-23 09:59:59.250,120\n2026-11-23 10:00:00,0\n", new CsvColumns(0, 'date', [1]),
            [[$atMs, [120.0], null], [$atMs + 750, [0.0], null]],
        ];
    }

    #[Test, DataProvider('brokenTables')]
    public function what_is_wrong_in_a_table_is_named_by_its_line(string $text, string $words): void
    {
        $this->expectExceptionObject(new RecordingFault($words));
        $columns = new CsvColumns(0, str_contains($text, 'at,v') ? 'date' : 's', [1]);
        CsvTable::look($text)->read([$text], $columns, new Samples());
    }

    /** @return iterable<string, array{string, string}> */
    public static function brokenTables(): iterable
    {
        $long = str_repeat('ä', 31);
        $cut = str_repeat('ä', 30);
        yield 'a word' => ["t,v\n1,$long\n", "Table, line 2: \"$cut\" is no number."];
        yield 'no date' => ["at,v\n$long,1\n", "Table, line 2: \"$cut\" is no date and time."];
        yield 'one column' => ["t\n1\n", 'Table, line 1: A table of at least two columns is needed: a time and a voltage.'];
        yield 'too many columns' => [
            implode(',', range(1, 201)) . "\n", 'Table, line 1: A table of at least two columns is needed: a time and a voltage.',
        ];
        yield 'bytes' => ["t,v\n\0", 'Table, line 1: This is no table of text.'];
        yield 'time goes back' => ["t,v\n2,1\n1,1\n", 'Table, line 3: The time goes back here.'];
        yield 'a cell more' => ["t,v\n1,2,3\n", 'Table, line 2: 2 columns are needed as in the first line; there are 3.'];
        yield 'nothing' => ["t,v\n", 'Table: there is no line with measurements.'];
    }

    #[Test]
    public function a_line_of_a_hundred_thousand_letters_is_the_longest(): void
    {
        $line = static fn(int $letters): array => ["t,v\n1,", str_repeat('1', $letters - 2), "\n"];
        $sink = new Samples();
        CsvTable::look("t,v\n")->read($line(100_000), new CsvColumns(0, 's', [1]), $sink);
        self::assertCount(1, $sink->taken);
        $this->expectExceptionObject(new RecordingFault('Table: a line longer than 100 kB is no line of measurements.'));
        CsvTable::look("t,v\n")->read($line(100_001), new CsvColumns(0, 's', [1]), new Samples());
    }

    #[Test]
    public function two_hundred_columns_are_taken(): void
    {
        self::assertCount(200, CsvTable::look(implode(',', range(1, 200)) . "\n")->headings);
    }

    #[Test]
    public function a_guess_takes_the_other_column_where_none_is_named(): void
    {
        self::assertSame([0, [1]], [CsvColumns::guess(['a', 'b'], 1)->time, CsvColumns::guess(['a', 'b'], 1)->phases]);
        self::assertSame([1, [0]], [CsvColumns::guess(['a', 'time'], 1)->time, CsvColumns::guess(['a', 'time'], 1)->phases]);
    }

    #[Test]
    public function a_waveform_of_a_seed_is_the_same_every_time(): void
    {
        $series = new Series(2);
        $series->add(0, [120.0, 118.0], 60.0);
        $series->add(3, [60.0, 59.0], null);
        $series->reach(5);
        $file = new RecordingFile('Mill, lane', 60, ['van', 'vbn']);
        $wave = $file->waveform($series, 1000, DataFormat::Ascii, '23/11/2026,09:00:00.000000', 7);
        self::assertSame(
            "1,0,1,1\r\n2,1000,625,-615\r\n3,2000,1163,-1143\r\n4,3000,768,-754\r\n5,4000,846,-833\r\n",
            implode('', iterator_to_array($wave['data'])),
        );
        self::assertStringContainsString("Mill  lane,escapement,2013\r\n2,2A,0D\r\n1,van,A,,V,0.1,0,0,", $wave['config']);
        self::assertStringEndsWith("ASCII\r\n1\r\n0,0\r\nB,3\r\n", $wave['config']);
        self::assertSame("t_ms,van_v,vbn_v,hz\n0,120,118,60\n3,60,59,60\n", $file->csv($series));
    }

    #[Test]
    public function a_recording_is_kept_to_a_thousandth_and_read_back(): void
    {
        $series = new Series(1);
        $series->add(0, [120.00049], 60.0004);
        $series->add(5, [120.0001], 60.0001); // says nothing new
        $series->add(9, [119.9994], 60.0006);
        $series->add(9, [50.0], 55.0); // within a millisecond the last holds
        $kept = $series->toArray();
        self::assertSame(['at_ms' => [0, 9], 'v' => [[120.0, 50.0]], 'hz' => [60.0, 55.0], 'until_ms' => 9], $kept);
        self::assertEquals($series, Series::fromArray($kept));
        $unmeasured = ['hz' => [null, 60]] + $kept;
        self::assertSame([null, 60.0], Series::fromArray($unmeasured)->hz);
        self::assertSame(0, (new Series(1))->untilMs);
        $series->reach(366 * 86_400_000);
        $this->expectExceptionObject(
            new RecordingFault('This recording is longer than a year. Look at its column of times, and their unit.'),
        );
        $series->reach(366 * 86_400_000 + 0.5);
    }

    #[Test]
    public function a_scenario_becomes_a_trace_with_a_value_a_cycle_while_it_moves(): void
    {
        $event = static fn(int $atMs, Verb $do, mixed $v, ?float $hz = null, int $overMs = 0): ScenarioEvent => new ScenarioEvent(
            $atMs,
            $do,
            Side::Normal,
            $v,
            $hz,
            overMs: $overMs,
        );
        $series = (new UtilityTrace(new Source(1, 100, 50), [
            $event(100, Verb::RampSource, [0], null, 50),
            $event(200, Verb::SetSource, [90], 49.0),
            $event(300, Verb::RampSource, null, 50.0, 30),
            $event(1000, Verb::SetSource, [10]),
        ], 1000))->series();
        self::assertSame([0, 120, 140, 160, 200, 320, 340, 1000], $series->atMs);
        self::assertSame([100.0, 60.0, 20.0, 0.0, 90.0, 90.0, 90.0, 10.0], array_merge(...$series->v));
        self::assertSame([50.0, 50.0, 50.0, 50.0, 49.0, 49.667, 50.0, 50.0], $series->hz);
        self::assertSame(1000, $series->untilMs);
    }

    #[Test]
    public function disturbances_of_a_seed_are_the_same_every_time(): void
    {
        $list = (new Climate(40, 1.5, 20, 60, 8, 30, 30, 7200, 0.5, 30, 3))->disturbances(120);
        $told = array_map(static fn(array $one): string => $one['at_ms'] . ': ' . implode(', ', array_map(
            static fn(array $event): string => "$event[at_ms] ms $event[v] V",
            $one['events'],
        )), $list);
        self::assertSame(self::DISTURBANCES, $told);
        // lengths of which the longest is not longer than the shortest are taken a little longer
        $least = (new Climate(40, 0, 20, 60, 0, 30, 30, 0, 0, 60, 5))->disturbances(120);
        $longest = max(array_map(static fn(array $one): int => $one['events'][1]['at_ms'] < 1000 ? $one['events'][1]['at_ms'] : 0, $least));
        self::assertGreaterThan(50, $longest);
        self::assertLessThanOrEqual(60, $longest);
        self::assertGreaterThan(30_000, max(array_map(static fn(array $one): int => $one['events'][1]['at_ms'], $least)));
        self::assertLessThan(31_001, max(array_map(static fn(array $one): int => $one['events'][1]['at_ms'], $least)));
        self::assertCount(Climate::MOST_DISTURBANCES, (new Climate(1e6, 1.5, 0, 60, 8, 0, 30, 60, 0, 365, 1))->disturbances(120));
        self::assertSame([], (new Climate(0, 1.5, 0, 60, 8, 0, 30, 60, 0, 365, 1))->disturbances(120));
    }

    private const DISTURBANCES = [
        '425591970: 0 ms 94.1 V, 609 ms 120 V',
        '901219681: 0 ms 0 V, 144521 ms 120 V, 166456 ms 0 V, 189471 ms 120 V',
        '1326978513: 0 ms 0 V, 66719 ms 120 V, 101480 ms 0 V, 350698 ms 120 V',
        '2267513764: 0 ms 0 V, 54056 ms 120 V, 69436 ms 0 V, 104665 ms 120 V',
        '2364180214: 0 ms 73 V, 2781 ms 120 V',
        '2427601087: 0 ms 80.9 V, 59 ms 120 V',
    ];
}
