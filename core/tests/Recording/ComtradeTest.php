<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Plant\InstallationKind;
use Escapement\Core\Plant\Source;
use Escapement\Core\Recording\CombinedFile;
use Escapement\Core\Recording\ComtradeConfig;
use Escapement\Core\Recording\ComtradeData;
use Escapement\Core\Recording\DataFormat;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\RecordingFile;
use Escapement\Core\Recording\Reduction;
use Escapement\Core\Recording\RmsCycles;
use Escapement\Core\Recording\RmsSteps;
use Escapement\Core\Recording\Series;
use Escapement\Core\Settings\Template\SheetTemplate;
use Escapement\Core\Simulation\ScenarioEvent;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ComtradeTest extends TestCase
{
    #[Test, DataProvider('formats')]
    public function a_waveform_comes_back_as_the_steps_it_was_made_of(DataFormat $format): void
    {
        $file = $this->file()->waveform($this->outage(), 3840, $format, '23/11/2026,09:00:00.000000', 7);
        $config = ComtradeConfig::parse($file['config']);
        self::assertTrue($config->isWaveform());
        self::assertSame($format, $config->format);
        $read = (new ComtradeData($config, [0, 1]))->read($file['data'], new RmsCycles(2, 60.0, 120.0));
        $events = (new Reduction(
            new Source(2, 120, 60),
            [(new SheetTemplate(InstallationKind::WholeHouse))->settings()->normal],
        ))->events($read);
        $told = array_map(
            static fn(ScenarioEvent $e): array => [
                $e->atMs,
                $e->v === null ? null : (int) round($e->v[0]),
                $e->v === null ? null : (int) round($e->v[1]),
            ],
            $events,
        );
        $dips = array_values(array_filter($told, static fn(array $t): bool => $t[1] !== null));
        self::assertEqualsWithDelta(1000, $dips[0][0], 17, 'lost within the cycle in which it was lost');
        self::assertContains([0, 0], array_map(static fn(array $t): array => [$t[1], $t[2]], $dips));
        self::assertSame([120, 120], [$dips[count($dips) - 1][1], $dips[count($dips) - 1][2]]);
        self::assertEqualsWithDelta(1600, $dips[count($dips) - 1][0], 17);
    }

    /** @return iterable<string, array{DataFormat}> */
    public static function formats(): iterable
    {
        foreach (DataFormat::cases() as $format) {
            yield $format->value => [$format];
        }
    }

    #[Test]
    public function a_scenario_written_as_one_file_reads_back_to_the_millisecond(): void
    {
        $series = $this->outage();
        $bytes = $this->file()->combined($series, '23/11/2026,09:00:00.000000');
        $parts = CombinedFile::split($bytes);
        $config = ComtradeConfig::parse($parts->config);
        self::assertFalse($config->isWaveform());
        $read = (new ComtradeData($config, [0, 1], 2))->read(str_split($parts->data, 13), new RmsSteps(2)); // torn anywhere
        self::assertSame($series->atMs, $read->atMs);
        self::assertSame($series->v, $read->v);
        self::assertSame([60.0, 60.0, 60.0, 60.0], $read->hz);
    }

    #[Test]
    public function the_frequency_of_a_waveform_is_measured(): void
    {
        $series = new Series(2);
        $series->add(0, [120.0, 120.0], 60.0);
        $series->add(1000, [120.0, 120.0], 57.5);
        $series->untilMs = 2000;
        $file = $this->file()->waveform($series, 3840, DataFormat::Float32, '01/01/2026,00:00:00', 3);
        $read = (new ComtradeData(ComtradeConfig::parse($file['config']), [0, 1]))->read($file['data'], new RmsCycles(2, 60.0, 120.0));
        self::assertEqualsWithDelta(57.5, $read->hz[count($read->hz) - 1], 0.05);
    }

    #[Test]
    public function secondary_kilovolts_become_primary_volts_and_missing_values_hold(): void
    {
        $config = ComtradeConfig::parse(
            "Yard,rec,1999\r\n2,1A,1D\r\n1,VA,A,,kV,0.001,0.002,0,-32767,32767,7200,120,S\r\n1,trip,,,0\r\n60\r\n1\r\n1000,3\r\n"
            . "01/01/2026,00:00:00\r\n01/01/2026,00:00:00\r\nBINARY\r\n1\r\n",
        );
        $data = pack('VVvv', 1, 0, 100, 0) . pack('VVvv', 2, 1000, 0x8000, 1) . pack('VVvv', 3, 2000, -100 & 0xFFFF, 0);
        $read = (new ComtradeData($config, [0]))->read([$data], new RmsSteps(1));
        self::assertEqualsWithDelta(0.102 * 1000 * 60, $read->v[0][0], 0.001);
        self::assertSame([0, 2], $read->atMs, 'the missing value holds what was known and says nothing new');
        self::assertEqualsWithDelta(0.098 * 1000 * 60, $read->v[0][1], 0.001);
    }

    #[Test, DataProvider('hostile')]
    public function a_file_that_cannot_be_read_is_told_with_its_place(string $config, string $data, string $says): void
    {
        $this->expectException(RecordingFault::class);
        $this->expectExceptionMessageMatches($says);
        (new ComtradeData(ComtradeConfig::parse($config), [0]))->read([$data], new RmsSteps(1));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function hostile(): iterable
    {
        $config = static fn(
            string $format,
            string $counts = '1,1A,0D',
            string $rate = "1\n100,3",
            string $channel = '1,V,,,V,1,0,0,-9,9,1,1,P',
        ): string
            => "S,d,1999\n$counts\n$channel\n60\n$rate\n01/01/2026,00:00:00\n01/01/2026,00:00:00\n$format\n1\n";
        yield 'nothing' => ['', '', '/line 1.*2 fields/'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n" . str_repeat("\0", 900), '', '/line 1/'];
        yield 'cut in the middle' => ["S,d,1999\n3,3A,0D\n1,V,,,V,1,0,0,-9,9,1,1,P\n", '', '/line 4: The file ends here/'];
        yield 'a million channels' => [$config('ASCII', '999999,999999A,0D'), '', '/line 2.*up to 512/'];
        yield 'channels by the wrong letter' => [$config('ASCII', '1,1X,0D'), '', '/line 2/'];
        yield 'a rate that goes nowhere' => [$config('ASCII', '1,1A,0D', "1\n0,3"), '', '/line 6.*0\.001/'];
        yield 'rates that go back' => [$config('ASCII', '1,1A,0D', "2\n100,3\n50,2"), '', '/line 7.*must lie after/'];
        yield 'a factor that is no number' => [$config('ASCII', channel: '1,V,,,V,NaN,0,0,-9,9,1,1,P'), '', '/line 3.*"NaN"/'];
        yield 'an unknown format' => [$config('WAV'), '', '/line 9.*"WAV"/'];
        yield 'text cut short' => [$config('ASCII'), "1,0,5\n2,10,5\n", '/line 2.*ends after 2/'];
        yield 'text too long' => [$config('ASCII'), "1,0,5\n2,10,5\n3,20,5\n4,30,5\n", '/line 4.*goes on/'];
        yield 'too few fields' => [$config('ASCII'), "1,0,5\n2,10\n3,20,5\n", '/line 2: 3 fields/'];
        yield 'words for values' => [$config('ASCII'), "1,0,5\n2,10,<b>\n3,20,5\n", '/line 2.*"<b>"/'];
        yield 'an endless line' => [$config('ASCII'), str_repeat('9', 50_000), '/longer than 20 kB/'];
        yield 'bytes cut short' => [$config('BINARY'), str_repeat("\1", 25), '/byte 25.*30 bytes in all/'];
        yield 'bytes too many' => [$config('BINARY'), str_repeat("\1", 44), '/byte 30.*goes on/'];
        yield 'a float that is none' => [$config('FLOAT32'), pack('VVgVVgVVg', 1, 0, 1.0, 2, 0, NAN, 3, 0, 1.0), '/byte 12.*no number/'];
        yield 'stamps that go back' => [$config('ASCII', '1,1A,0D', "0\n0,2"), "1,50,5\n2,40,5\n", '/sample 2 is stamped earlier/'];
    }

    #[Test]
    public function a_combined_file_without_its_sections_is_refused(): void
    {
        $this->expectException(RecordingFault::class);
        CombinedFile::split("--- file type: CFG ---\nS,d,2013\n");
    }

    #[Test]
    public function a_combined_file_that_ends_too_early_is_refused_with_the_byte(): void
    {
        $this->expectException(RecordingFault::class);
        $this->expectExceptionMessageMatches('/should have 100 bytes; the file ends after 3/');
        CombinedFile::split("--- file type: CFG ---\nS,d,2013\n--- file type: DAT BINARY: 100 ---\nabc");
    }

    #[Test, DataProvider('systems')]
    public function the_phases_of_a_made_up_waveform_stand_against_each_other(int $phases): void
    {
        $series = new Series($phases);
        $series->add(0, array_fill(0, $phases, 120.0), 60.0);
        $series->untilMs = 1000;
        $names = array_map(static fn(int $phase): string => "l$phase", range(1, $phases));
        $file = (new RecordingFile('Lantern, Bay', 60.0, $names))->waveform($series, 3840, DataFormat::Ascii, '01/01/2026,00:00:00', 3);
        $config = ComtradeConfig::parse($file['config']);
        self::assertSame(['Lantern  Bay', 2013, 60.0, 3840, 0], [
            $config->station, $config->year, $config->lineHz, $config->samples(), $config->digital,
        ]);
        self::assertSame(array_slice(['A', 'B', 'C'], 0, $phases), array_column($config->analog, 'phase'));
        $most = 0.0;
        foreach (explode("\r\n", rtrim(implode('', iterator_to_array($file['data'], false)))) as $i => $line) {
            $fields = array_map(floatval(...), explode(',', $line));
            self::assertSame([$i + 1.0, round($i * 1_000_000 / 3840)], [$fields[0], $fields[1]]);
            $volts = array_map(static fn(float $tenths): float => $tenths / 10, array_slice($fields, 2));
            self::assertCount($phases, $volts);
            if ($phases > 1) {
                self::assertEqualsWithDelta(0, array_sum($volts), $phases * 0.21, 'their sum is noise');
            }
            self::assertEqualsWithDelta(120 * M_SQRT2 * sin(2 * M_PI * 60 * $i / 3840), $volts[0], 0.21);
            $most = max($most, $volts[0]);
        }
        self::assertEqualsWithDelta(120 * M_SQRT2, $most, 0.3);
    }

    /** @return iterable<string, array{int}> */
    public static function systems(): iterable
    {
        yield 'one' => [1];
        yield 'two, opposite' => [2];
        yield 'three' => [3];
    }

    #[Test]
    public function a_table_has_the_moments_of_the_series_and_the_frequency_that_was_last_measured(): void
    {
        $series = new Series(2);
        $series->add(0, [120.0, 119.5], null);
        $series->add(1500, [0.0, 119.5], 59.5);
        $series->add(1700, [120.0, 119.5], null);
        self::assertSame("t_ms,l1_v,l2_v,hz\n0,120,119.5,60\n1500,0,119.5,59.5\n1700,120,119.5,59.5\n", $this->file()->csv($series));
        $parts = CombinedFile::split($this->file()->combined($series, '23/11/2026,09:00:00.000000'));
        self::assertSame("1,0,120000,119500,60000\r\n2,1500,0,119500,59500\r\n3,1700,120000,119500,59500\r\n", $parts->data);
        $config = ComtradeConfig::parse($parts->config);
        self::assertSame(['l1', 'l2', 'hz'], array_column($config->analog, 'name'));
        self::assertSame([1, 2, 3], array_column($config->analog, 'number'));
        self::assertSame([0.001, 0.001, 0.001], array_column($config->analog, 'a'));
        self::assertSame('23/11/2026 09:00:00.000000', $config->startedAt);
    }

    private function file(): RecordingFile
    {
        return new RecordingFile('Lantern Bay', 60.0, ['l1', 'l2']);
    }

    private function outage(): Series
    {
        $series = new Series(2);
        foreach ([[0, 120.0, 120.0], [1000, 84.5, 120.0], [1200, 0.0, 0.0], [1600, 120.0, 120.0]] as [$atMs, $one, $two]) {
            $series->add($atMs, [$one, $two], 60.0);
        }
        $series->untilMs = 2400;

        return $series;
    }
}
