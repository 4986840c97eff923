<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** Reads the .dat of a COMTRADE recording piece by piece, and hands the chosen channels to a sink. */
final readonly class ComtradeData
{
    private const FILE = 'Data';
    private const LONGEST_LINE = 20_000;

    /**
     * @param list<int> $phases the places of the voltage channels among the analog ones, one a phase
     * @param ?int      $hertz  likewise of the frequency
     */
    public function __construct(
        private ComtradeConfig $config,
        private array $phases,
        private ?int $hertz = null,
        private float $scale = 1.0,
    ) {}

    /**
     * @param iterable<string> $chunks of any size
     *
     * @throws RecordingFault with line or byte
     */
    public function read(iterable $chunks, SampleSink $sink): Series
    {
        if ($this->config->format === DataFormat::Ascii) {
            $this->readText($chunks, $sink);
        } else {
            $this->readBinary($chunks, $sink);
        }

        return $sink->close();
    }

    /** @param iterable<string> $chunks */
    private function readBinary(iterable $chunks, SampleSink $sink): void
    {
        $bytes = $this->config->recordBytes();
        [$code, $signBit] = match ($this->config->format) {
            DataFormat::Float32 => ['g', 0],
            DataFormat::Binary32 => ['V', 0x80000000],
            default => ['v', 0x8000],
        };
        $unpack = 'Vn/Vt/' . $code . count($this->config->analog) . 'a';
        [$factors, $offsets, $keys] = $this->factors();
        $due = $this->config->samples();
        $clock = new SampleClock($this->config);
        $stepMs = $this->config->stepMs();
        $rest = '';
        $done = 0;
        $held = array_fill(0, count($keys), 0.0);
        foreach ($chunks as $chunk) {
            $rest = $rest === '' ? $chunk : $rest . $chunk;
            $whole = intdiv(strlen($rest), $bytes);
            for ($i = 0; $i < $whole; $i++) {
                if ($done >= $due) {
                    throw self::goesOn($due, $bytes);
                }
                /** @var array<string, int> $record floats only where there is no sign bit to look at */
                $record = unpack($unpack, $rest, $i * $bytes);
                $done++;
                foreach ($keys as $k => $key) {
                    $raw = $record[$key];
                    if ($signBit !== 0) { // as a signed number
                        $raw = ($raw ^ $signBit) - $signBit;
                        if ($raw === -$signBit) {
                            continue; // missing by the standard: what was last known holds
                        }
                    } elseif (! is_finite((float) $raw)) {
                        throw RecordingFault::atByte(self::FILE, ($done - 1) * $bytes, 'A value here is no number.');
                    }
                    $held[$k] = $raw * $factors[$k] + $offsets[$k];
                }
                $atMs = $stepMs === null ? $clock->ms($done, (float) $record['t']) : ($done - 1) * $stepMs;
                if ($this->hertz === null) {
                    $sink->take($atMs, $held, null);
                } else {
                    $this->give($sink, $atMs, $held);
                }
            }
            $rest = substr($rest, $whole * $bytes);
        }
        if ($done < $due || $rest !== '') {
            throw self::endsEarly($due, $bytes, $done * $bytes + strlen($rest));
        }
    }

    private static function goesOn(int $due, int $bytes): RecordingFault
    {
        return RecordingFault::atByte(
            self::FILE,
            $due * $bytes,
            "$due samples of $bytes bytes are announced; the file goes on after them.",
        );
    }

    private static function endsEarly(int $due, int $bytes, int $at): RecordingFault
    {
        return RecordingFault::atByte(
            self::FILE,
            $at,
            sprintf('%d samples of %d bytes are announced, %d bytes in all; the file ends here.', $due, $bytes, $due * $bytes),
        );
    }

    /** @param iterable<string> $chunks */
    private function readText(iterable $chunks, SampleSink $sink): void
    {
        [$factors, $offsets, , $columns] = $this->factors();
        $least = 2 + count($this->config->analog) + $this->config->digital;
        $due = $this->config->samples();
        $clock = new SampleClock($this->config);
        $stepMs = $this->config->stepMs();
        $done = 0;
        $held = array_fill(0, count($columns), 0.0);
        foreach (self::lines($chunks) as $line) {
            $fields = explode(',', $line);
            $done++;
            if ($done > $due) {
                throw RecordingFault::atLine(self::FILE, $done, "$due samples are announced; the file goes on after them.");
            }
            if (count($fields) !== $least) {
                throw RecordingFault::atLine(self::FILE, $done, "$least fields are needed, there are " . count($fields) . '.');
            }
            foreach ($columns as $k => $column) {
                $raw = trim($fields[$column]);
                if ($raw === '' || $raw === '99999') {
                    continue; // missing by the standard
                }
                if (! is_numeric($raw)) {
                    throw RecordingFault::atLine(self::FILE, $done, '"' . mb_substr($raw, 0, 30) . '" is no number.');
                }
                $held[$k] = (float) $raw * $factors[$k] + $offsets[$k];
            }
            $this->give($sink, $stepMs === null ? $clock->ms($done, (float) $fields[1]) : ($done - 1) * $stepMs, $held);
        }
        if ($done < $due) {
            throw RecordingFault::atLine(self::FILE, $done, "$due samples are announced; the file ends after $done.");
        }
    }

    /**
     * The lines in which something is written.
     *
     * @param iterable<string> $chunks
     *
     * @return \Generator<string>
     */
    private static function lines(iterable $chunks): \Generator
    {
        $rest = '';
        $seen = 0;
        foreach ($chunks as $chunk) {
            $lines = explode("\n", $rest . $chunk);
            $rest = (string) array_pop($lines);
            foreach ($lines as $line) {
                $line = rtrim($line);
                if ($line !== '' && $line !== "\x1a") {
                    $seen++;
                    yield $line;
                }
            }
            if (strlen($rest) > self::LONGEST_LINE) {
                throw RecordingFault::atLine(self::FILE, $seen + 1, 'This line is longer than 20 kB.');
            }
        }
        $rest = rtrim($rest); // the last line may lack its end
        if ($rest !== '' && $rest !== "\x1a") {
            yield $rest;
        }
    }

    /** @param array<int, float> $held */
    private function give(SampleSink $sink, float $atMs, array $held): void
    {
        $hz = $this->hertz === null ? null : array_pop($held);
        $sink->take($atMs, $held, $hz);
    }

    /** @return array{list<float>, list<float>, list<string>, list<int>} factor, offset, key and column of each wanted channel */
    private function factors(): array
    {
        $factors = $offsets = $keys = $columns = [];
        foreach ([...$this->phases, ...($this->hertz === null ? [] : [$this->hertz])] as $i => $place) {
            $channel = $this->config->analog[$place];
            $toVolts = $i < count($this->phases) ? $channel->toVolts() * $this->scale : 1.0;
            $factors[] = $channel->a * $toVolts;
            $offsets[] = $channel->b * $toVolts;
            $keys[] = 'a' . (count($this->config->analog) === 1 ? '' : $place + 1);
            $columns[] = $place + 2;
        }

        return [$factors, $offsets, $keys, $columns];
    }
}
