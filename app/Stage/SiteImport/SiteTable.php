<?php

declare(strict_types=1);

namespace App\Stage\SiteImport;

/** A list of sites as text: comma, semicolon or tab between cells, a heading in the first line. */
final readonly class SiteTable
{
    public const MOST_BYTES = 1_000_000;
    public const MOST_LINES = 2000;
    private const MOST_COLUMNS = 60;

    /**
     * @param list<string>              $headings
     * @param array<int, list<string>> $rows by the number of their line
     */
    private function __construct(public array $headings, public array $rows) {}

    /** @throws SiteTableFault */
    public static function read(string $text): self
    {
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
        if (trim($text) === '' || strlen($text) > self::MOST_BYTES || ! mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0")) {
            throw new SiteTableFault('A list of sites is a table of text in UTF-8, of up to 1 MB.');
        }
        $rows = self::rows($text);
        $headings = $rows[0] ?? [];
        unset($rows[0]); // the others keep the number of their line
        if (count($headings) > self::MOST_COLUMNS) {
            throw new SiteTableFault('It has more than ' . self::MOST_COLUMNS . ' columns: is this the right file?');
        }
        if ($rows === [] || count($rows) > self::MOST_LINES) {
            throw new SiteTableFault($rows === [] ? 'There is a heading and no line under it: the first line names the columns.'
                : 'It has ' . count($rows) . ' lines; up to ' . self::MOST_LINES . ' at once: cut it into parts.');
        }

        return new self($headings, $rows);
    }

    /** @return array<int, list<string>> the heading first, each with as many cells; empty lines are left out */
    private static function rows(string $text): array
    {
        $paper = fopen('php://temp', 'w+') ?: throw new \LogicException('no memory to write to');
        fwrite($paper, $text);
        rewind($paper);
        $first = strtok($text, "\r\n");
        $comma = ',';
        foreach ([';', "\t"] as $other) {
            $comma = substr_count((string) $first, $other) > substr_count((string) $first, $comma) ? $other : $comma;
        }
        $rows = [];
        for ($number = 1; ($cells = fgetcsv($paper, null, $comma, '"', '')) !== false; $number++) {
            $cells = array_map(static fn(?string $cell): string => trim((string) $cell), $cells);
            if (implode('', $cells) !== '') {
                $width ??= count($cells);
                $rows[$number] = array_slice(array_pad($cells, $width, ''), 0, $width);
            }
        }
        $heading = array_key_first($rows);
        if ($heading !== null) {
            $head = $rows[$heading];
            unset($rows[$heading]);
            $rows = [0 => $head] + $rows;
        }

        return $rows;
    }
}
