<?php

declare(strict_types=1);

namespace App\Stage;

use Illuminate\Http\Response;

/** A table as CSV by RFC 4180. A text that a spreadsheet would take for a formula is made a text again. */
final readonly class CsvFile
{
    /**
     * @param list<string>                               $head
     * @param iterable<list<null|bool|float|int|string>> $rows
     */
    public static function text(array $head, iterable $rows): string
    {
        $paper = fopen('php://temp', 'w+') ?: throw new \LogicException('no memory to write to');
        fputcsv($paper, $head, escape: '');
        foreach ($rows as $row) {
            fputcsv($paper, array_map(self::cell(...), $row), escape: '');
        }
        rewind($paper);

        return (string) stream_get_contents($paper);
    }

    /**
     * @param list<string>                               $head
     * @param iterable<list<null|bool|float|int|string>> $rows
     */
    public static function download(string $name, array $head, iterable $rows): Response
    {
        return self::sent($name, self::text($head, $rows));
    }

    public static function sent(string $name, string $csv): Response
    {
        return response($csv, 200, [
            'Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"$name\"",
        ]);
    }

    private static function cell(null|bool|float|int|string $cell): null|bool|float|int|string
    {
        return is_string($cell) ? SheetCell::text($cell) : $cell;
    }
}
