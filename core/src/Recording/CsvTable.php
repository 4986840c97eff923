<?php

declare(strict_types=1);

namespace Escapement\Core\Recording;

/** A table of measurements as text: separated by comma, semicolon or tab, with a heading line or without. */
final readonly class CsvTable
{
    private const FILE = 'Table';
    private const MOST_COLUMNS = 200;
    private const BYTE_ORDER_MARK = "\xEF\xBB\xBF";

    /**
     * @param non-empty-string $separator
     * @param list<string>     $headings
     */
    private function __construct(
        public string $separator,
        public array $headings,
        public bool $hasHeading,
        private bool $hasDecimalComma,
    ) {}

    /** @param string $start the first lines of the file */
    public static function look(string $start): self
    {
        $start = str_starts_with($start, self::BYTE_ORDER_MARK) ? substr($start, strlen(self::BYTE_ORDER_MARK)) : $start;
        if (str_contains(substr($start, 0, 4000), "\0") || trim($start) === '') {
            throw RecordingFault::atLine(self::FILE, 1, 'This is no table of text.');
        }
        $split = preg_split('/\r\n|\r|\n/', $start);
        $lines = $split === false ? [] : $split;
        $separator = ',';
        foreach ([';', "\t"] as $other) {
            $separator = substr_count($lines[0], $other) > substr_count($lines[0], $separator) ? $other : $separator;
        }
        $first = self::cells($lines[0], $separator);
        if (count($first) < 2 || count($first) > self::MOST_COLUMNS) {
            throw RecordingFault::atLine(self::FILE, 1, 'A table of at least two columns is needed: a time and a voltage.');
        }
        $hasHeading = array_filter($first, static fn(string $cell): bool => is_numeric(str_replace(',', '.', $cell))) === [];
        $body = implode("\n", array_slice($lines, 1, 5));

        return new self(
            $separator,
            $hasHeading ? $first : array_map(static fn(int $i): string => "Column $i", range(1, count($first))),
            $hasHeading,
            $separator !== ',' && preg_match('/\d,\d/', $body) === 1 && preg_match('/\d\.\d/', $body) !== 1,
        );
    }

    /**
     * @param iterable<string> $chunks the whole file, in pieces of any size
     *
     * @throws RecordingFault with the line
     */
    public function read(iterable $chunks, CsvColumns $columns, SampleSink $sink): Series
    {
        $before = -INF;
        foreach ($this->rows($chunks) as $line => $cells) {
            $atMs = $this->time(trim($cells[$columns->time]), $columns->unit, $line);
            if ($atMs < $before) {
                throw RecordingFault::atLine(self::FILE, $line, 'The time goes back here.');
            }
            $before = $atMs;
            $v = [];
            foreach ($columns->phases as $column) {
                $v[] = $this->number($cells[$column], $line) * $columns->scale;
            }
            $sink->take($atMs, $v, $columns->hertz === null ? null : $this->number($cells[$columns->hertz], $line));
        }
        if ($before === -INF) {
            throw RecordingFault::whole('Table: there is no line with measurements.');
        }

        return $sink->close();
    }

    /**
     * The lines below the heading as cells, empty ones left out.
     *
     * @param iterable<string> $chunks the whole file, in pieces of any size
     *
     * @return \Generator<int, list<string>> by line, from 1
     *
     * @throws RecordingFault with the line
     */
    public function rows(iterable $chunks): \Generator
    {
        $line = 0;
        $width = count($this->headings);
        foreach ($this->lines($chunks) as $text) {
            $line++;
            $text = $line === 1 && str_starts_with($text, self::BYTE_ORDER_MARK) ? substr($text, strlen(self::BYTE_ORDER_MARK)) : $text;
            if ($line === 1 && $this->hasHeading || trim($text) === '') {
                continue;
            }
            $cells = str_contains($text, '"') ? self::cells($text, $this->separator) : explode($this->separator, $text);
            if (count($cells) !== $width) {
                throw RecordingFault::atLine(
                    self::FILE,
                    $line,
                    "$width columns are needed as in the first line; there are " . count($cells) . '.',
                );
            }
            yield $line => $cells;
        }
    }

    /**
     * @param iterable<string> $chunks
     *
     * @return \Generator<string>
     */
    private function lines(iterable $chunks): \Generator
    {
        $rest = '';
        foreach ($chunks as $chunk) {
            $text = $rest . $chunk;
            $torn = str_ends_with($text, "\r") ? "\r" : ''; // the other half of this end of a line may come with the next piece
            $whole = $torn === '' ? $text : substr($text, 0, -1);
            $lines = explode("\n", str_replace("\r", "\n", str_replace("\r\n", "\n", $whole)));
            $rest = array_pop($lines) . $torn;
            if (strlen($rest) > 100_000) {
                throw RecordingFault::whole('Table: a line longer than 100 kB is no line of measurements.');
            }
            yield from $lines;
        }
        yield rtrim($rest, "\r");
    }

    /** @return list<string> */
    private static function cells(string $line, string $separator): array
    {
        return array_map(static fn(?string $cell): string => trim((string) $cell), str_getcsv($line, $separator, '"', ''));
    }

    /** @throws RecordingFault with the line */
    public function number(string $cell, int $line): float
    {
        $text = trim($this->hasDecimalComma ? str_replace(',', '.', $cell) : $cell);
        if (! is_numeric($text)) {
            throw RecordingFault::atLine(self::FILE, $line, '"' . mb_substr(mb_scrub($text), 0, 30) . '" is no number.');
        }

        return (float) $text;
    }

    private function time(string $cell, string $unit, int $line): float
    {
        if ($unit !== 'date') {
            return $this->number($cell, $line) * ($unit === 's' ? 1000 : 1);
        }
        try {
            $at = new \DateTimeImmutable($cell, new \DateTimeZone('UTC'));
        } catch (\Exception) {
            throw RecordingFault::atLine(self::FILE, $line, '"' . mb_substr(mb_scrub($cell), 0, 30) . '" is no date and time.');
        }

        return $at->getTimestamp() * 1000.0 + (int) $at->format('u') / 1000;
    }
}
