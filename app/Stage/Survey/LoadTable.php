<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Stage\CsvFile;

/** Loads as CSV: a heading line with the names below, then one load a line; `yes` or empty for a tick. */
final readonly class LoadTable
{
    public const COLUMNS = [
        'name',
        'kw',
        'connect',
        'start_kva',
        'duty_pct',
        'priority',
        'must_run',
        'essential',
        'shed',
        'compressor',
        'sensitive',
        'ups',
    ];
    private const MOST_BYTES = 200_000;
    private const NO = ['', '0', 'no', 'false'];

    /** @param list<array<string, mixed>> $lines */
    public static function write(array $lines): string
    {
        return CsvFile::text(self::COLUMNS, array_map(static fn(array $line): array => array_map(
            static fn(string $column): string => self::cell($column, $line[$column] ?? ''),
            self::COLUMNS,
        ), $lines));
    }

    /**
     * Figures come back as they stand, so that a bad one is reported at its field and nothing is lost.
     *
     * @return list<array<string, mixed>>
     *
     * @throws LoadTableFault
     */
    public static function read(string $bytes): array
    {
        if ($bytes === '' || strlen($bytes) > self::MOST_BYTES || ! mb_check_encoding($bytes, 'UTF-8')) {
            throw new LoadTableFault('A table of loads is a CSV in UTF-8 of up to 200 kB.');
        }
        $rows = self::rows($bytes);
        $headings = array_map(
            static fn(string $heading): string => str_replace(' ', '_', mb_strtolower($heading)),
            array_shift($rows) ?? [],
        );
        if (array_diff(['name', 'kw'], $headings) !== []) {
            throw new LoadTableFault('The first line names the columns: name and kw at least, of ' . implode(', ', self::COLUMNS) . '.');
        }
        if (count($rows) > LoadLines::MOST) {
            throw new LoadTableFault('Up to ' . LoadLines::MOST . ' loads; this table has ' . count($rows) . '.');
        }

        return array_map(
            static fn(array $cells): array => self::line(
                array_combine($headings, array_pad(array_slice($cells, 0, count($headings)), count($headings), '')),
            ),
            $rows,
        );
    }

    /** @return list<list<string>> cells of the lines in which something is written, the heading first */
    private static function rows(string $bytes): array
    {
        $rows = array_values(array_filter(
            preg_split('/\R/', ltrim($bytes, "\u{FEFF}")) ?: [],
            static fn(string $row): bool => trim($row, " \t,;") !== '',
        ));
        $comma = substr_count($rows[0] ?? '', ';') > substr_count($rows[0] ?? '', ',') ? ';' : ',';

        return array_map(
            static fn(string $row): array => array_map(
                static fn(?string $cell): string => trim((string) $cell),
                str_getcsv($row, $comma, '"', ''),
            ),
            $rows,
        );
    }

    /**
     * @param array<string, string> $cells by heading
     *
     * @return array<string, ?string> as the form sends it
     */
    private static function line(array $cells): array
    {
        foreach (array_keys(LoadLines::TICKS) as $tick) {
            $cells[$tick] = in_array(mb_strtolower($cells[$tick] ?? ''), self::NO, true) ? null : '1';
        }
        foreach (['kw', 'start_kva', 'duty_pct'] as $figure) {
            $written = $cells[$figure] ?? '';
            $cells[$figure] = preg_match('/^\d+,\d+$/', $written) === 1 ? str_replace(',', '.', $written) : $written;
        }
        $cells['priority'] = ($cells['priority'] ?? '') === '' ? '5' : $cells['priority'];

        return array_intersect_key($cells, array_flip(self::COLUMNS));
    }

    private static function cell(string $column, mixed $value): string
    {
        return match (true) {
            is_bool($value) => $value ? 'yes' : '',
            in_array($column, ['kw', 'start_kva', 'duty_pct'], true) && is_numeric($value) => (string) (float) $value,
            is_string($value) => $value,
            default => is_scalar($value) ? (string) $value : '',
        };
    }
}
