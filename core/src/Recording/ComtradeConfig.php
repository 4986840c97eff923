<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** The .cfg of a COMTRADE recording, 1991, 1999 or 2013. */
final readonly class ComtradeConfig
{
    private const MOST_CHANNELS = 512;
    private const MOST_SAMPLES = 20_000_000;

    /**
     * @param list<AnalogChannel>                    $analog
     * @param list<array{rate: float, last: int}>    $rates   samples a second up to and with sample number `last`; none: by time stamps
     */
    private function __construct(
        public string $station,
        public int $year,
        public array $analog,
        public int $digital,
        public float $lineHz,
        public array $rates,
        public string $startedAt,
        public DataFormat $format,
        public float $timeFactor,
    ) {}

    /** @throws RecordingFault with the line */
    public static function parse(string $text): self
    {
        if (strlen($text) > 400_000) {
            throw RecordingFault::whole('The configuration is longer than 400 kB: this is no COMTRADE configuration.');
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            $text = mb_convert_encoding($text, 'UTF-8', 'ISO-8859-1');
        }
        $lines = new ConfigLines($text);
        $head = $lines->next(2, 'station, device and year');
        $year = (int) ($head[2] ?? 1991);
        $counts = $lines->next(3, 'the numbers of channels');
        $analogCount = $lines->count($counts[1], 'A', self::MOST_CHANNELS);
        $digitalCount = $lines->count($counts[2], 'D', self::MOST_CHANNELS);
        $analog = [];
        for ($i = 0; $i < $analogCount; $i++) {
            $analog[] = self::channel($lines);
        }
        for ($i = 0; $i < $digitalCount; $i++) {
            $lines->next(1, 'a digital channel');
        }
        $lineHz = $lines->number($lines->next(1, 'the line frequency')[0], 1, 1000);
        $rates = self::readRates($lines);
        $started = implode(' ', $lines->next(2, 'the time of the first sample'));
        $lines->next(2, 'the time of the trigger');
        $formatText = strtoupper($lines->next(1, 'the file type')[0]);
        $format = DataFormat::tryFrom($formatText) ?? throw $lines->bad(
            "The file type is \"$formatText\"; it must be ASCII, BINARY, BINARY32 or FLOAT32.",
        );
        $factor = $lines->isAtEnd() ? 1.0 : $lines->number($lines->next(1, 'the time multiplier')[0], 0, 1e9);

        return new self($head[0], $year, $analog, $digitalCount, $lineHz, $rates, $started, $format, $factor > 0 ? $factor : 1.0);
    }

    public function samples(): int
    {
        return $this->rates[count($this->rates) - 1]['last'];
    }

    public function isByTimeStamp(): bool
    {
        return (float) $this->rates[0]['rate'] === 0.0;
    }

    /** The time from sample to sample where it is the same throughout. */
    public function stepMs(): ?float
    {
        return count($this->rates) === 1 && ! $this->isByTimeStamp() ? 1000 / $this->rates[0]['rate'] : null;
    }

    /** Whether the samples are dense enough to be a waveform; RMS values come a few times a cycle at most. */
    public function isWaveform(): bool
    {
        return ! $this->isByTimeStamp() && $this->rates[0]['rate'] >= 6 * $this->lineHz;
    }

    public function recordBytes(): int
    {
        return 8 + count($this->analog) * $this->format->bytesPerValue() + 2 * intdiv($this->digital + 15, 16);
    }

    /** @return list<array{rate: float, last: int}> */
    private static function readRates(ConfigLines $lines): array
    {
        $count = (int) $lines->number($lines->next(1, 'the number of sampling rates')[0], 0, 1000);
        $rates = [];
        for ($i = 0; $i < max(1, $count); $i++) {
            $fields = $lines->next(2, 'a sampling rate and its last sample');
            $last = (int) $lines->number($fields[1], 1, self::MOST_SAMPLES);
            if ($rates !== [] && $last <= $rates[$i - 1]['last']) {
                throw $lines->bad('The last sample of a rate must lie after that of the rate before.');
            }
            $rates[] = ['rate' => $lines->number($fields[0], $count === 0 ? 0 : 0.001, 10_000_000), 'last' => $last];
        }

        return $rates;
    }

    private static function channel(ConfigLines $lines): AnalogChannel
    {
        $f = $lines->next(10, 'an analog channel');

        return new AnalogChannel(
            (int) $lines->number($f[0], 0, 999_999),
            $f[1],
            $f[2],
            $f[4],
            $lines->number($f[5], -1e12, 1e12),
            $lines->number($f[6], -1e12, 1e12),
            isset($f[10]) ? $lines->number($f[10], 0, 1e12) : 1.0,
            isset($f[11]) ? $lines->number($f[11], 0, 1e12) : 1.0,
            strtoupper($f[12] ?? 'P') === 'S',
        );
    }
}
