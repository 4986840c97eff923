<?php

declare(strict_types=1);

namespace Escapement\Core\LoadTest;

use Escapement\Core\Recording\CsvTable;
use Escapement\Core\Recording\RecordingFault;

/**
 * Readings out of the table of a recorder: the first line of each so many seconds, its clock put right by an offset. A line that cannot
 * be read ends it, and says where. Rule: docs/rules.md#reading-table.
 */
final readonly class ReadingTable
{
    private const FILE = 'Table';
    /** As many as an evaluation takes. */
    private const MOST = 5000;
    /** A test lasts hours: what is farther away has another day, or another time zone. */
    private const NEAR_S = 86_400.0;
    private const ZERO_FORM = ['s' => 1.0, 'min' => 60.0];

    /**
     * @param float  $everyS  one reading at most in so many seconds
     * @param float  $offsetS to add to the recorder's clock
     * @param float  $startS  since 1970: the beginning of the test, from which a column of seconds counts
     * @param float  $nowS    since 1970
     */
    public function __construct(
        private TableColumns $columns,
        private \DateTimeZone $zone,
        private float $everyS,
        private float $offsetS,
        private float $startS,
        private float $nowS,
    ) {}

    /**
     * @param iterable<string> $chunks the whole file, in pieces of any size
     *
     * @return list<TableReading>
     *
     * @throws RecordingFault with the line
     */
    public function read(CsvTable $table, iterable $chunks): array
    {
        $this->checkColumns();
        $readings = [];
        $before = -INF;
        $next = -INF;
        foreach ($table->rows($chunks) as $line => $cells) {
            $atS = $this->time($table, $cells[$this->columns->time], $line);
            if ($atS <= $before) {
                throw RecordingFault::atLine(self::FILE, $line, 'The time does not go on here.');
            }
            $before = $atS;
            $this->checkTime($atS, $line);
            if ($atS < $next) {
                continue;
            }
            $next = $atS + $this->everyS;
            if (count($readings) >= self::MOST) {
                throw RecordingFault::atLine(self::FILE, $line, 'More than ' . self::MOST . ' readings: take one every minute, or fewer.');
            }
            $readings[] = $this->reading($table, $cells, $line, $atS);
        }
        if ($readings === []) {
            throw RecordingFault::whole('Table: there is no line with readings.');
        }

        return $readings;
    }

    /** @throws RecordingFault */
    private function checkColumns(): void
    {
        if (in_array(null, [...$this->columns->volts, ...$this->columns->amps, $this->columns->hertz], true)) {
            throw RecordingFault::whole('Say which columns hold the volts and amperes of each phase, and the hertz.');
        }
    }

    /** @throws RecordingFault */
    private function time(CsvTable $table, string $cell, int $line): float
    {
        $unit = self::ZERO_FORM[$this->columns->timeForm] ?? null;
        if ($unit !== null) {
            return $this->startS + $table->number($cell, $line) * $unit + $this->offsetS;
        }
        try {
            $at = new \DateTimeImmutable(trim($cell), $this->zone);
        } catch (\Exception) {
            throw RecordingFault::atLine(self::FILE, $line, '"' . mb_substr(mb_scrub($cell), 0, 30) . '" is no date and time.');
        }
        if (preg_match('/\d{2,4}[-.\/]\d|\d{8}T/', $cell) !== 1) {
            throw RecordingFault::atLine(self::FILE, $line, 'An hour without a day. Write 2026-11-26 09:15:00.');
        }

        return $at->getTimestamp() + (int) $at->format('u') / 1e6 + $this->offsetS;
    }

    /** @throws RecordingFault */
    private function checkTime(float $atS, int $line): void
    {
        $hours = ($atS - $this->startS) / 3600;
        if (abs($atS - $this->startS) > self::NEAR_S) {
            throw RecordingFault::atLine(self::FILE, $line, sprintf(
                '%.0f hours %s the test began. Look at the day, the time zone and the offset of the clock.',
                abs($hours),
                $hours < 0 ? 'before' : 'after',
            ));
        }
        if ($atS > $this->nowS + 60) {
            throw RecordingFault::atLine(
                self::FILE,
                $line,
                'This has not happened yet. Look at the time zone and the offset of the clock.',
            );
        }
    }

    /**
     * @param list<string> $cells
     *
     * @throws RecordingFault
     */
    private function reading(CsvTable $table, array $cells, int $line, float $atS): TableReading
    {
        $number = static fn(?int $column): float => $table->number($cells[(int) $column], $line);
        $maybe = static fn(?int $column): ?float => $column === null || trim($cells[$column]) === '' ? null
            : $table->number($cells[$column], $line);
        $columns = $this->columns;
        $reading = new TableReading(
            $line,
            $atS,
            array_map($number, $columns->volts),
            array_map($number, $columns->amps),
            $number($columns->hertz),
            $maybe($columns->kw),
            $maybe($columns->oil),
            $maybe($columns->coolant),
            $maybe($columns->exhaust),
            $maybe($columns->battery),
        );
        foreach ([...$reading->volts, ...$reading->amps, $reading->hertz, $reading->kw ?? 0.0] as $value) {
            if ($value < 0) {
                throw RecordingFault::atLine(self::FILE, $line, 'Volts, amperes, hertz and kilowatts are not below zero.');
            }
        }

        return $reading;
    }
}
