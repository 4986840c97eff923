<?php

declare(strict_types=1);

namespace Escapement\Core\Tests\Recording;

use Escapement\Core\Recording\AnalogChannel;
use Escapement\Core\Recording\ComtradeConfig;
use Escapement\Core\Recording\ComtradeData;
use Escapement\Core\Recording\DataFormat;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Recording\RmsSteps;
use Escapement\Core\Recording\SampleClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A configuration field by field, as the standard has it, and what is read with it (IEEE C37.111). */
final class ComtradeConfigTest extends TestCase
{
    private const CHANNELS = ['1,VA,A,,kV,0.5,-2.25,0,-32767,32767,7200,120,S', '2,f,,,Hz,0.001,0,0,-99999,99999,1,1,P'];

    #[Test]
    public function every_field_is_kept(): void
    {
        $config = ComtradeConfig::parse(self::text(digital: ['1,trip,,,0', '2,close,,,0'], rates: ['960,100', '480,300']));
        self::assertSame(['Yard', 1999, 2, 60.0], [$config->station, $config->year, $config->digital, $config->lineHz]);
        self::assertSame([['rate' => 960.0, 'last' => 100], ['rate' => 480.0, 'last' => 300]], $config->rates);
        self::assertSame(
            ['23/11/2026 09:00:00.125', DataFormat::Binary16, 2.0],
            [$config->startedAt, $config->format, $config->timeFactor],
        );
        self::assertSame(300, $config->samples());
        self::assertFalse($config->isByTimeStamp());
        self::assertNull($config->stepMs(), 'two rates have no one step');
        self::assertEquals(new AnalogChannel(1, 'VA', 'A', 'kV', 0.5, -2.25, 7200.0, 120.0, true), $config->analog[0]);
        self::assertEquals(new AnalogChannel(2, 'f', '', 'Hz', 0.001, 0.0, 1.0, 1.0, false), $config->analog[1]);
        self::assertSame(8 + 2 * 2 + 2, $config->recordBytes(), 'two digital channels fill one word');
    }

    #[Test]
    public function an_old_configuration_has_no_year_no_ratio_and_no_time_multiplier(): void
    {
        $config = ComtradeConfig::parse(
            "Yard,rec\n1,1A,0D\n1,VA,A,,V,1,0,0,-9,9\n50\n1\n1000,3\n01/01/1991,00:00:00\n01/01/1991,00:00:00\nASCII\n",
        );
        self::assertSame([1991, 1.0, 50.0], [$config->year, $config->timeFactor, $config->lineHz]);
        self::assertEquals(new AnalogChannel(1, 'VA', 'A', 'V', 1.0, 0.0, 1.0, 1.0, false), $config->analog[0]);
        self::assertSame(1.0, $config->stepMs());
        $zero = ComtradeConfig::parse(self::text(factor: '0'));
        self::assertSame(1.0, $zero->timeFactor, 'nothing cannot be multiplied with');
    }

    #[Test]
    public function a_text_of_another_encoding_is_read_all_the_same(): void
    {
        self::assertSame('Höhe', ComtradeConfig::parse(self::text(station: "H\xF6he"))->station);
        self::assertSame('Höhe', ComtradeConfig::parse(self::text(station: 'Höhe'))->station);
    }

    #[Test, DataProvider('densities')]
    public function samples_are_a_waveform_from_six_a_cycle(string $rate, bool $isWaveform, ?float $stepMs): void
    {
        $config = ComtradeConfig::parse(self::text(rates: [$rate]));
        self::assertSame($isWaveform, $config->isWaveform());
        self::assertSame($stepMs, $config->stepMs());
    }

    /** @return iterable<string, array{string, bool, ?float}> */
    public static function densities(): iterable
    {
        yield 'six' => ['360,9', true, 1000 / 360];
        yield 'fewer' => ['359.9,9', false, 1000 / 359.9];
        yield 'by time stamps' => ['0,9', false, null];
    }

    /** @param array<string, mixed> $with */
    #[Test, DataProvider('limits')]
    public function a_number_is_taken_up_to_its_limit(array $with, bool $isTaken): void
    {
        try {
            ComtradeConfig::parse(self::text(...$with));
            self::assertTrue($isTaken, 'it was taken');
        } catch (RecordingFault $e) {
            self::assertFalse($isTaken, $e->getMessage());
            self::assertStringContainsString('line ', $e->getMessage());
        }
    }

    /** @return iterable<string, array{array<string, mixed>, bool}> */
    public static function limits(): iterable
    {
        foreach ([
            'line frequency' => ['hz', ['1', '1000'], ['0.9', '1000.1', 'fifty']],
            'time multiplier' => ['factor', ['0', '1e9'], ['-1', '1000000001']],
        ] as $name => [$key, $in, $out]) {
            foreach ([[$in, true], [$out, false]] as [$values, $isTaken]) {
                foreach ($values as $value) {
                    yield "$name of $value" => [[$key => $value], $isTaken];
                }
            }
        }
        foreach (['0.001,1' => true, '0.0009,1' => false, '10000000,1' => true, '10000001,1' => false, '100,0' => false,
            '100,20000000' => true, '100,20000001' => false] as $rate => $isTaken) {
            yield "rate $rate" => [['rates' => [$rate]], $isTaken];
        }
        $milliards = ['1000000000000' => true, '-1000000000000' => true, '1000000000001' => false, '-1000000000001' => false];
        foreach ($milliards as $a => $isTaken) {
            yield "factor $a" => [['channels' => ["1,V,,,V,$a,0,0,-9,9,1,1,P"]], $isTaken];
            yield "offset $a" => [['channels' => ["1,V,,,V,1,$a,0,-9,9,1,1,P"]], $isTaken];
        }
        foreach (['0' => true, '999999' => true, '1000000' => false, '-1' => false] as $number => $isTaken) {
            yield "channel $number" => [['channels' => ["$number,V,,,V,1,0,0,-9,9,1,1,P"]], $isTaken];
        }
        foreach (['0' => true, '1000000000000' => true, '-0.1' => false, '1000000000001' => false] as $turns => $isTaken) {
            yield "primary $turns" => [['channels' => ["1,V,,,V,1,0,0,-9,9,$turns,1,P"]], $isTaken];
            yield "secondary $turns" => [['channels' => ["1,V,,,V,1,0,0,-9,9,1,$turns,P"]], $isTaken];
        }
        yield 'rates that rise' => [['rates' => ['100,5', '100,6']], true];
        yield 'rates that stand' => [['rates' => ['100,5', '100,5']], false];
        yield 'as many channels as may be' => [['channels' => array_fill(0, 512, self::CHANNELS[1])], true];
        yield 'one more' => [['channels' => array_fill(0, 513, self::CHANNELS[1])], false];
        yield 'a channel of nine fields' => [['channels' => ['1,V,,,V,1,0,0,-9']], false];
        yield 'a long line' => [['station' => str_repeat('x', 1991)], true]; // with ",rec,1999" 2000 bytes
        yield 'a longer one' => [['station' => str_repeat('x', 1992)], false];
    }

    #[Test]
    public function a_file_that_is_too_long_for_a_configuration_is_none(): void
    {
        $text = self::text();
        self::assertSame('Yard', ComtradeConfig::parse(str_pad($text, 400_000))->station);
        $this->expectExceptionMessage('longer than 400 kB');
        ComtradeConfig::parse(str_pad($text, 400_001));
    }

    #[Test, DataProvider('volts')]
    public function a_channel_comes_to_volts_on_the_primary_side(string $unit, bool $isSecondary, float $secondary, float $toVolts): void
    {
        $channel = new AnalogChannel(1, 'VA', 'A', $unit, 1, 0, 7200, $secondary, $isSecondary);
        self::assertEqualsWithDelta($toVolts, $channel->toVolts(), 1e-12);
        self::assertSame(strtolower($unit) !== 'hz' && $unit !== 'A', $channel->isVoltage());
        self::assertSame(strtolower($unit) === 'hz', $channel->isHertz());
    }

    /** @return iterable<string, array{string, bool, float, float}> */
    public static function volts(): iterable
    {
        yield 'volts' => ['V', false, 120.0, 1.0];
        yield 'kilovolts' => ['kV', false, 120.0, 1000.0];
        yield 'millivolts' => ['mV', false, 120.0, 0.001];
        yield 'of the secondary side' => ['V', true, 120.0, 60.0];
        yield 'kilovolts of the secondary side' => ['KV', true, 120.0, 60_000.0];
        yield 'without a ratio' => ['V', true, 0.0, 1.0];
        yield 'a frequency' => ['Hz', false, 1.0, 1.0];
        yield 'a current' => ['A', false, 1.0, 1.0];
    }

    #[Test]
    public function samples_are_timed_by_their_rates_each_from_where_the_one_before_ended(): void
    {
        $clock = new SampleClock(ComtradeConfig::parse(self::text(rates: ['1000,4', '500,6', '250,8'])));
        $times = array_map(static fn(int $n): float => $clock->ms($n, 0.0), range(1, 8));
        self::assertEqualsWithDelta([0, 1, 2, 3, 4, 6, 8, 12], $times, 1e-9);
    }

    #[Test]
    public function without_a_rate_they_are_timed_by_their_stamps_and_the_multiplier(): void
    {
        $clock = new SampleClock(ComtradeConfig::parse(self::text(rates: ['0,9'], factor: '2')));
        self::assertSame([0.0, 1.0, 1.0, 20.0], array_map(static fn(float $t): float => $clock->ms(1, $t), [0.0, 500.0, 500.0, 10_000.0]));
        $this->expectException(RecordingFault::class);
        $clock->ms(5, 9999.0);
    }

    /** @param list<string> $chunks */
    #[Test, DataProvider('texts')]
    public function text_samples_are_read_with_their_factors_however_they_are_torn(array $chunks): void
    {
        $config = ComtradeConfig::parse(self::text(digital: ['1,trip,,,0'], rates: ['1000,4'], format: 'ASCII'));
        $read = (new ComtradeData($config, [0], 1))->read($chunks, new RmsSteps(1));
        self::assertSame([0, 1, 3], $read->atMs, 'a value that is missing holds what was known');
        $volts = array_map(static fn(int $raw): float => (0.5 * $raw - 2.25) * 1000 * 60, [10, 20, 30]);
        self::assertEqualsWithDelta($volts, $read->v[0], 1e-6);
        self::assertEqualsWithDelta([60.0, 59.5, 59.5], $read->hz, 1e-9);
    }

    /** @return iterable<string, array{list<string>}> */
    public static function texts(): iterable
    {
        $text = "1,0,10,60000,0\r\n2,1000,20,59500,1\r\n3,2000,99999,,0\r\n4,3000,30,59500,0\r\n";
        yield 'whole' => [[$text]];
        yield 'by the byte' => [str_split($text)];
        yield 'without an end of line' => [[rtrim($text)]];
        yield 'with the sign of the end of a file' => [[$text . "\x1A"]];
    }

    /**
     * @param list<string> $channels
     * @param list<string> $digital
     * @param list<string> $rates
     */
    private static function text(
        string $station = 'Yard',
        array $channels = self::CHANNELS,
        array $digital = [],
        string $hz = '60',
        array $rates = ['960,4'],
        string $format = 'BINARY',
        string $factor = '2',
    ): string {
        $counts = count($channels) + count($digital) . ',' . count($channels) . 'A,' . count($digital) . 'D';
        $isStamped = $rates !== [] && str_starts_with($rates[0], '0,');

        return implode("\r\n", [
            "$station,rec,1999", $counts, ...$channels, ...$digital, $hz, $isStamped ? 0 : count($rates), ...$rates,
            '23/11/2026,09:00:00.125', '23/11/2026,09:00:01', $format, $factor,
        ]) . "\r\n";
    }
}
