<?php

declare(strict_types=1);

namespace App\Stage\Moving;

use App\Bridge\CompanyKeys;
use App\Models\Company;
use App\Stage\CsvFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * Everything of a company as one ZIP: `manifest.json` (form, company, keys, rows and SHA-256 of each table), `rows/TABLE.jsonl` that
 * another machine reads, `tables/TABLE.csv` that a person reads, `pictures/ID-full.jpg` and `-small.jpg`. Described in
 * docs/formats/company.md.
 */
final readonly class CompanyArchive
{
    public const FORM = 'escapement/company/1';
    private const NO_TABLE = ['record_entries', 'photo_files']; // chained entries, bytes: nothing for a spreadsheet

    private CompanyRows $rows;

    public function __construct(private Company $company)
    {
        $this->rows = new CompanyRows($company);
    }

    /** @return int rows that were written to a new file; all of it is of one moment */
    public function write(string $path): int
    {
        $folder = sys_get_temp_dir() . '/company-' . bin2hex(random_bytes(6));
        File::ensureDirectoryExists($folder, 0700);
        $zip = new \ZipArchive();
        try {
            if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::EXCL) !== true) {
                throw new \RuntimeException('This file cannot be made, or is there already.');
            }
            $tables = DB::transaction(fn(): array => $this->tables($zip, $folder)); // repeatable read: what is saved meanwhile is not in it
            $zip->addFromString('manifest.json', json_encode([
                'form' => self::FORM,
                'company' => ['id' => $this->company->id, 'name' => $this->company->name],
                'written_at' => Carbon::now()->toIso8601ZuluString(),
                'edition' => self::edition(),
                'keys' => (new CompanyKeys())->published($this->company->id),
                'tables' => $tables,
            ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
            if (! $zip->close()) {
                throw new \RuntimeException('The file could not be written: is the disk full?');
            }
        } finally {
            File::deleteDirectory($folder);
        }

        return array_sum(array_column($tables, 'rows'));
    }

    /** The last change of the tables: rows of another edition may have other columns. */
    public static function edition(): string
    {
        $last = DB::table('migrations')->orderByDesc('migration')->value('migration');

        return is_string($last) ? $last : '';
    }

    /** @return array<string, array{rows: int, sha256: string}> */
    private function tables(\ZipArchive $zip, string $folder): array
    {
        $sums = [];
        foreach (CompanyRows::exported() as $table) {
            $file = "$folder/$table.jsonl";
            $sums[$table] = $this->table($table, $file, "$folder/$table.csv", $zip);
            $zip->addFile($file, "rows/$table.jsonl");
            if (File::exists("$folder/$table.csv")) {
                $zip->addFile("$folder/$table.csv", "tables/$table.csv");
            }
        }

        return $sums;
    }

    /** @return array{rows: int, sha256: string} */
    private function table(string $table, string $file, string $csv, \ZipArchive $zip): array
    {
        $lines = fopen($file, 'x') ?: throw new \RuntimeException('No room for temporary files.');
        $hash = hash_init('sha256');
        $cells = [];
        $head = null;
        $rows = 0;
        foreach ($this->rows->of($table) as $row) {
            $line = CompanyRows::line($table, $row);
            fwrite($lines, $line);
            hash_update($hash, $line);
            $rows++;
            if ($table === 'photo_files') {
                $this->pictures($row, dirname($file), $zip);
            } elseif (! in_array($table, self::NO_TABLE, true)) {
                $head ??= array_keys($row);
                $cells[] = array_map(self::cell(...), array_values($row));
            }
        }
        fclose($lines);
        if ($head !== null) {
            File::put($csv, CsvFile::text($head, $cells));
        }

        return ['rows' => $rows, 'sha256' => hash_final($hash)];
    }

    private static function cell(mixed $value): null|bool|float|int|string
    {
        return is_string($value) && ! mb_check_encoding($value, 'UTF-8') ? '(bytes)' : (is_scalar($value) ? $value : null);
    }

    /** @param array<string, mixed> $row */
    private function pictures(array $row, string $folder, \ZipArchive $zip): void
    {
        foreach (CompanyRows::PICTURES as $size) {
            $name = "{$row['photo_id']}-$size.jpg";
            File::put("$folder/$name", (string) $row[$size]);
            $zip->addFile("$folder/$name", "pictures/$name");
            $zip->setCompressionName("pictures/$name", \ZipArchive::CM_STORE);
        }
    }
}
