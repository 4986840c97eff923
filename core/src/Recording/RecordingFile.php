<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Writes recordings: RMS values of a scenario as a table or as COMTRADE, and made-up waveforms to try an import with. */
final readonly class RecordingFile
{
    /** @param list<string> $names of the voltage channels */
    public function __construct(private string $station, private float $lineHz, private array $names) {}

    /** A frequency that was not measured is written as the last one that was. */
    public function csv(Series $series): string
    {
        $lines = [implode(',', ['t_ms', ...array_map(static fn(string $name): string => "{$name}_v", $this->names), 'hz'])];
        $hz = $this->lineHz;
        foreach ($series->atMs as $i => $atMs) {
            $hz = $series->hz[$i] ?? $hz;
            $lines[] = implode(',', [$atMs, ...$series->at($i), $hz]);
        }

        return implode("\n", $lines) . "\n";
    }

    /** RMS values at their times, ASCII, with time stamps in milliseconds: a single file with both sections. */
    public function combined(Series $series, string $startedAt): string
    {
        $data = '';
        $hz = $this->lineHz;
        foreach ($series->atMs as $i => $atMs) {
            $values = array_map(static fn(float $v): string => (string) (int) round($v * 1000), $series->at($i));
            $hz = $series->hz[$i] ?? $hz;
            $data .= implode(',', [$i + 1, $atMs, ...$values, (int) round($hz * 1000)]) . "\r\n";
        }
        $hertz = (count($this->names) + 1) . ',hz,,,Hz,0.001,0,0,-999999999,999999999,1,1,P';
        $config = $this->config('0.001', 0, count($series->atMs), $startedAt, DataFormat::Ascii, 1000, [$hertz]);

        return "--- file type: CFG ---\r\n$config--- file type: DAT ASCII ---\r\n$data";
    }

    /**
     * A waveform of the series, with a little noise that a seed repeats.
     *
     * @return array{config: string, data: \Generator<string>} the data in pieces
     */
    public function waveform(Series $series, int $samplesPerSecond, DataFormat $format, string $startedAt, int $seed): array
    {
        $count = intdiv($series->untilMs * $samplesPerSecond, 1000);

        return [
            'config' => $this->config($format === DataFormat::Float32 ? '1' : '0.1', $samplesPerSecond, $count, $startedAt, $format, 1, []),
            'data' => $this->samples($series, $samplesPerSecond, $count, $format, $seed),
        ];
    }

    /** @return \Generator<string> */
    private function samples(Series $series, int $rate, int $count, DataFormat $format, int $seed): \Generator
    {
        $random = new Randomizer(new Xoshiro256StarStar($seed));
        $phases = count($this->names);
        $shift = $phases === 2 ? M_PI : 2 * M_PI / 3;
        $place = 0;
        $angle = 0.0;
        $piece = '';
        for ($n = 1; $n <= $count; $n++) {
            $ms = ($n - 1) * 1000 / $rate;
            while (isset($series->atMs[$place + 1]) && $series->atMs[$place + 1] <= $ms) {
                $place++;
            }
            $values = [];
            foreach ($series->at($place) as $phase => $rms) {
                $noise = $random->getInt(-1000, 1000) / 1000 * 0.15;
                $values[] = M_SQRT2 * $rms * sin($angle - $shift * $phase) + $noise;
            }
            $angle += 2 * M_PI * ($series->hz[$place] ?? $this->lineHz) / $rate;
            $stamp = (int) round($ms * 1000);
            $tenths = array_map(static fn(float $v): int => (int) round($v * 10), $values);
            $piece .= match ($format) {
                DataFormat::Ascii => implode(',', [$n, $stamp, ...$tenths]) . "\r\n",
                DataFormat::Binary16 => pack('VVv*', $n, $stamp, ...$tenths),
                DataFormat::Binary32 => pack('VVV*', $n, $stamp, ...$tenths),
                DataFormat::Float32 => pack('VVg*', $n, $stamp, ...$values),
            };
            if (strlen($piece) > 65_536) {
                yield $piece;
                $piece = '';
            }
        }
        yield $piece;
    }

    /** @param list<string> $more channel lines after the voltages */
    private function config(
        string $factor,
        int $rate,
        int $count,
        string $startedAt,
        DataFormat $format,
        int $timeFactor,
        array $more,
    ): string {
        $channels = [];
        foreach ($this->names as $i => $name) {
            $channels[] = ($i + 1) . ",$name," . chr(65 + $i) . ",,V,$factor,0,0,-999999999,999999999,1,1,P";
        }
        $channels = [...$channels, ...$more];
        $analog = count($channels);

        return implode("\r\n", [
            str_replace(',', ' ', $this->station) . ',escapement,2013', "$analog,{$analog}A,0D", ...$channels,
            (string) $this->lineHz, $rate === 0 ? '0' : '1', "$rate,$count",
            $startedAt, $startedAt, $format->value, (string) $timeFactor, '0,0', 'B,3',
        ]) . "\r\n";
    }
}
