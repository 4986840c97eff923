<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** Which column of a table of measurements is what. */
final readonly class CsvColumns
{
    /**
     * @param list<int> $phases columns of the voltages, from 0
     * @param string    $unit   of the time: s, ms, or date for dates and times of day
     * @param float     $scale  from the column to volts
     */
    public function __construct(
        public int $time,
        public string $unit,
        public array $phases,
        public ?int $hertz = null,
        public float $scale = 1.0,
        public bool $isWaveform = false,
    ) {}

    /**
     * A first guess from the headings: what a person would pick; to be confirmed.
     *
     * @param list<string> $headings
     */
    public static function guess(array $headings, int $phases): self
    {
        $time = 0;
        $unit = 's';
        $hertz = null;
        $volts = [];
        $scale = 1.0;
        foreach ($headings as $i => $heading) {
            $h = strtolower(trim($heading));
            if (preg_match('/^(t|time|date|zeit|timestamp)\b|^t_|date|time/', $h) === 1) {
                $time = $i;
                $unit = preg_match('/(^|[^a-z])ms\b|_ms$/', $h) === 1 ? 'ms' : (preg_match('/date|stamp/', $h) === 1 ? 'date' : 's');
            } elseif (preg_match('/hz|freq/', $h) === 1) {
                $hertz ??= $i;
            } elseif (preg_match('/\bk?v\b|volt|^[ul]\d|^[vu][a-c1-3]|_k?v$|^[vu]_?(an|bn|cn|l\d)/', $h) === 1) {
                $volts[] = $i;
                $scale = preg_match('/kv\b|_kv$/', $h) === 1 ? 1000.0 : 1.0;
            }
        }
        if ($volts === [] && isset($headings[1])) {
            $volts = [$time === 1 ? 0 : 1];
        }

        return new self($time, $unit, array_slice($volts, 0, $phases), $hertz, $scale);
    }
}
