<?php

declare(strict_types=1);

namespace App\Stage\Panel;

use App\Bridge\Units;
use App\Models\Way;
use App\Stage\CsvFile;
use Escapement\Core\Wiring\Sizes;
use Illuminate\Validation\Rule;

/** The lines of a board as typed in the table, and as CSV. */
final readonly class WayLines
{
    public const MOST = 60;
    public const COLUMNS = [
        'name', 'connects', 'load_a', 'pf', 'breaker_a', 'breaking_ka', 'length', 'material', 'size', 'rcd_ma', 'final', 'shed', 'locked',
    ];
    public const PLACES = ['L1', 'L2', 'L3', 'L1L2', 'L2L3', 'L3L1', '3P'];
    private const TICKS = ['final', 'shed', 'locked'];
    private const MOST_BYTES = 100_000;
    private const NO = ['', '0', 'no', 'false'];

    /** @return array<string, list<mixed>> */
    public static function rules(bool $isIec): array
    {
        $places = $isIec ? array_values(array_filter(self::PLACES, static fn(string $one): bool => strlen($one) < 4)) : self::PLACES;

        return [
            'ways' => ['array', 'max:' . self::MOST],
            'ways.*.name' => ['required', 'string', 'max:40', 'distinct'],
            'ways.*.connects' => ['required', Rule::in($places)],
            'ways.*.load_a' => ['required', 'numeric', 'between:0.01,2000'],
            'ways.*.pf' => ['nullable', 'numeric', 'between:0.1,1'],
            'ways.*.breaker_a' => ['nullable', 'numeric', 'between:' . ($isIec ? 6 : 15) . ',4000'],
            'ways.*.breaking_ka' => ['required', 'numeric', 'between:0.1,200'],
            'ways.*.length' => ['required', 'numeric', 'between:0.1,6000'],
            'ways.*.material' => ['nullable', 'in:cu,al'],
            'ways.*.size' => ['nullable', Rule::in(array_map(strval(...), $isIec ? Sizes::MM2 : Sizes::AWG))],
            'ways.*.rcd_ma' => ['nullable', 'numeric', 'between:1,30000'],
            'ways.*.final' => ['nullable', 'boolean'],
            'ways.*.shed' => ['nullable', 'boolean'],
            'ways.*.locked' => ['nullable', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public static function messages(bool $isIec): array
    {
        return [
            'ways.max' => 'A board has 60 ways at most.',
            'ways.*.name.distinct' => 'This name stands twice.',
            'ways.*.name.*' => 'A name of 40 letters at most.',
            'ways.*.connects.*' => $isIec ? 'L1, L2, L3 or 3P.' : 'L1, L2, L3, L1L2, L2L3, L3L1 or 3P.',
            'ways.*.load_a.*' => 'Amps, 0.01 to 2000.',
            'ways.*.pf.*' => 'Power factor, 0.1 to 1.',
            'ways.*.breaker_a.*' => 'Amps of the breaker; empty: chosen here.',
            'ways.*.breaking_ka.*' => 'Breaking capacity in kA, 0.1 to 200.',
            'ways.*.length.*' => 'Length of the run, from 0.1.',
            'ways.*.material.*' => 'cu or al.',
            'ways.*.size.*' => 'A size ' . ($isIec ? 'in mm², such as 2.5' : 'such as 12 or 1/0') . '; empty: chosen here.',
            'ways.*.rcd_ma.*' => 'Milliamps of the residual-current device.',
        ];
    }

    /**
     * @param array<string, mixed> $line as validated
     *
     * @return array<string, mixed> columns of a way
     */
    public static function columns(array $line, Units $units): array
    {
        $number = static fn(string $key): ?float => is_numeric($line[$key] ?? null) ? (float) $line[$key] : null;

        return [
            'name' => $line['name'], 'connects' => $line['connects'], 'load_a' => $number('load_a'), 'pf' => $number('pf') ?? 0.9,
            'breaker_a' => $number('breaker_a'), 'breaking_ka' => $number('breaking_ka'),
            'length_m' => round($units->toMetres($number('length') ?? 0.1), 3), 'material' => $line['material'] ?? 'cu',
            'size' => $line['size'] ?? null, 'rcd_ma' => $number('rcd_ma'),
            'final' => (bool) ($line['final'] ?? false), 'shed' => (bool) ($line['shed'] ?? false),
            'locked' => (bool) ($line['locked'] ?? false),
        ];
    }

    /** @return array<string, string> a way as its row of the table shows it */
    public static function shown(Way $way, Units $units): array
    {
        $figure = static fn(?float $value): string => $value === null ? '' : (string) +round($value, 3);

        return [
            'name' => $way->name, 'connects' => $way->connects, 'load_a' => $figure($way->load_a), 'pf' => $figure($way->pf),
            'breaker_a' => $figure($way->breaker_a), 'breaking_ka' => $figure($way->breaking_ka),
            'length' => $figure(round($units->fromMetres($way->length_m), 1)), 'material' => $way->material, 'size' => $way->size ?? '',
            'rcd_ma' => $figure($way->rcd_ma), 'final' => $way->final ? '1' : '', 'shed' => $way->shed ? '1' : '',
            'locked' => $way->locked ? '1' : '',
        ];
    }

    /** @param list<Way> $ways */
    public static function csv(array $ways, Units $units): string
    {
        return CsvFile::text(self::COLUMNS, array_map(static function (Way $way) use ($units): array {
            $row = self::shown($way, $units);

            return array_map(static fn(string $column): string => in_array($column, self::TICKS, true)
                ? ($row[$column] === '' ? '' : 'yes')
                : $row[$column], self::COLUMNS);
        }, $ways));
    }

    /**
     * Comma, semicolon or tab between the cells; a comma in a figure where the cells are not parted by one.
     *
     * @return array{list<array<string, string>>, ?string} lines as the table sends them, and what is wrong with the heading
     */
    public static function fromCsv(string $text): array
    {
        $text = ltrim(str_replace(["\r\n", "\r"], "\n", substr($text, 0, self::MOST_BYTES)), "\u{FEFF}");
        if (! mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0")) {
            return [[], 'This is no text in UTF-8.'];
        }
        $rows = array_values(array_filter(explode("\n", $text), static fn(string $line): bool => trim($line) !== ''));
        $heading = $rows[0] ?? '';
        $mark = match (true) {
            str_contains($heading, "\t") => "\t",
            str_contains($heading, ';') => ';',
            default => ',',
        };
        $columns = array_map(static fn(?string $one): string => strtolower(trim((string) $one)), str_getcsv($heading, $mark, escape: ''));
        $missing = array_diff(['name', 'connects', 'load_a', 'breaking_ka', 'length'], $columns);
        if ($missing !== []) {
            return [[], 'The first line names the columns; not there: ' . implode(', ', $missing) . '.'];
        }
        $lines = [];
        foreach (array_slice($rows, 1) as $row) {
            $cells = str_getcsv($row, $mark, escape: '');
            $line = [];
            foreach ($columns as $i => $column) {
                $cell = trim((string) ($cells[$i] ?? ''));
                $line[$column] = match (true) {
                    in_array($column, self::TICKS, true) => in_array(strtolower($cell), self::NO, true) ? '' : '1',
                    $mark !== ',' && preg_match('/^\d+,\d+$/D', $cell) === 1 => str_replace(',', '.', $cell),
                    default => $cell,
                };
            }
            $lines[] = array_intersect_key($line, array_flip(self::COLUMNS));
        }

        return [$lines, null];
    }
}
