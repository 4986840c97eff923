<?php

declare(strict_types=1);

namespace App\Stage\Moving;

use App\Bridge\CompanyKeys;
use App\Bridge\KeptRecord;
use App\Models\Company;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

/**
 * A company from another machine, read from its ZIP (`CompanyArchive`). Its numbers stay as they were, because records, seals and papers
 * carry them: where one is taken here, nothing is done. After it was written, each table is read back and must be byte for byte what was
 * exported, and every record must be whole; else nothing stays. Passwords, links and secrets do not travel: they are made anew here.
 */
final readonly class ArrivingCompany
{
    private const MOST_BYTES_OF_A_TABLE = 2_000_000_000;
    private const AT_ONCE = 100;

    /**
     * @var array{company: array{id: int, name: string}, keys: array{public: string, past: list<string>, born: string},
     *     tables: array<string, array{rows: int, sha256: string}>}
     */
    private array $manifest;

    /** @throws CannotMove where this is no export of a company, or one of another edition */
    public function __construct(private \ZipArchive $zip)
    {
        $manifest = json_decode((string) $this->zip->getFromName('manifest.json'), true, 16);
        if (! is_array($manifest) || ($manifest['form'] ?? null) !== CompanyArchive::FORM) {
            throw new CannotMove('This is no export of a company: it has no manifest of the form ' . CompanyArchive::FORM . '.');
        }
        if (($manifest['edition'] ?? null) !== CompanyArchive::edition()) {
            throw new CannotMove('It was exported by another edition. Bring both machines to the same edition, and export it again.');
        }
        if (! is_int($manifest['company']['id'] ?? null) || ! is_array($manifest['tables'] ?? null)
            || ! is_string($manifest['keys']['public'] ?? null)
            || array_diff(array_keys($manifest['tables']), CompanyRows::exported()) !== []) {
            throw new CannotMove('Its manifest is not whole.');
        }
        /** @var array{company: array{id: int, name: string}, keys: array{public: string, past: list<string>, born: string},
         *     tables: array<string, array{rows: int, sha256: string}>} $manifest */
        $this->manifest = $manifest;
    }

    /**
     * @return array{company: Company, rows: int, records: int}
     *
     * @throws CannotMove
     */
    public function take(): array
    {
        $id = $this->manifest['company']['id'];
        $keys = new CompanyKeys();
        if ($keys->has($id)) {
            throw new CannotMove("There is a key of a company $id on this machine already.");
        }
        try {
            return DB::transaction(function () use ($id, $keys): array {
                DB::statement('SET FOREIGN_KEY_CHECKS = 0'); // rows point to each other; what points to nothing is looked for below
                try {
                    foreach (array_keys($this->manifest['tables']) as $table) {
                        $this->insert($table);
                    }
                } finally {
                    DB::statement('SET FOREIGN_KEY_CHECKS = 1');
                }
                $company = Company::query()->whereKey($id)->first() ?? throw new CannotMove('The company itself is not in it.');
                $this->compare($company);
                $keys->adopt($id, $this->manifest['keys']);

                return ['company' => $company, 'rows' => array_sum(array_column($this->manifest['tables'], 'rows')),
                    'records' => $this->checkRecords($id, $keys)];
            });
        } catch (\Throwable $failed) {
            $keys->forget($id);
            throw $failed;
        }
    }

    private function insert(string $table): void
    {
        $known = array_flip(Schema::getColumnListing($table));
        $rows = [];
        foreach ($this->lines($table) as $number => $row) {
            $unknown = array_diff_key($row, $known);
            if ($unknown !== []) {
                throw new CannotMove("Line $number of $table has a column that is not known here: " . array_key_first($unknown) . '.');
            }
            $rows[] = $this->completed($table, $row);
            if (count($rows) === self::AT_ONCE || $table === 'photo_files') {
                $this->put($table, $rows);
                $rows = [];
            }
        }
        $this->put($table, $rows);
    }

    /** @param list<array<string, mixed>> $rows */
    private function put(string $table, array $rows): void
    {
        try {
            DB::table($table)->insert($rows);
        } catch (UniqueConstraintViolationException $taken) {
            throw new CannotMove("A number or an address of $table is taken on this machine: "
                . Str::between((string) $taken->getPrevious()?->getMessage(), 'Duplicate entry ', ' for key') . '. Nothing was taken in.');
        }
    }

    /**
     * Secrets do not travel. What must not be empty is made so that nothing opens by it.
     *
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private function completed(string $table, array $row): array
    {
        return $row + match ($table) {
            'users' => ['password' => Hash::make(Str::random(60))],
            'handover_links', 'feeds', 'fleet_feeds', 'invitations' => ['token_hash' => hash('sha256', random_bytes(32))],
            'webhooks' => ['secret' => Crypt::encryptString(Str::random(40))],
            default => [],
        };
    }

    /** @return iterable<int, array<string, mixed>> by the number of the line */
    private function lines(string $table): iterable
    {
        $size = $this->zip->statName("rows/$table.jsonl")['size'] ?? 0;
        $stream = $size > self::MOST_BYTES_OF_A_TABLE ? false : $this->zip->getStream("rows/$table.jsonl");
        if ($stream === false) {
            throw new CannotMove("The rows of $table are missing, or too many.");
        }
        for ($number = 1; ($line = fgets($stream)) !== false; $number++) {
            $row = json_decode($line, true, 512);
            if (! is_array($row)) {
                throw new CannotMove("Line $number of $table cannot be read.");
            }
            yield $number => array_combine(array_map(strval(...), array_keys($row)), array_map(
                fn(mixed $value, int|string $column): mixed => $this->value($table, (string) $column, $value, $row),
                $row,
                array_keys($row),
            ));
        }
        fclose($stream);
    }

    /** @param array<array-key, mixed> $row */
    private function value(string $table, string $column, mixed $value, array $row): mixed
    {
        if (is_string($value) && $table === 'photo_files' && in_array($column, CompanyRows::PICTURES, true)) {
            $name = is_string($row['photo_id'] ?? null) ? "pictures/{$row['photo_id']}-$column.jpg" : '';
            $bytes = $this->zip->getFromName($name);

            return is_string($bytes) ? $bytes : throw new CannotMove("The picture $name is missing.");
        }

        return is_string($value) && str_starts_with($value, 'base64:') ? (string) base64_decode(substr($value, 7), true) : $value;
    }

    /** What stands in the database now must be what was exported, to the byte; and nothing may point to nothing. */
    private function compare(Company $company): void
    {
        $here = (new CompanyRows($company))->sums();
        foreach ($this->manifest['tables'] as $table => $there) {
            if ($here[$table] !== $there) {
                throw new CannotMove("The rows of $table are not those that were exported ({$there['rows']} there, "
                    . "{$here[$table]['rows']} here): the file was changed or cut. Nothing was taken in.");
            }
        }
        foreach (CompanyRows::exported() as $table) {
            foreach (Schema::getForeignKeys($table) as ['columns' => [$column], 'foreign_table' => $parent, 'foreign_columns' => [$at]]) {
                $lost = DB::table($table)->whereNotNull($column)->whereNotIn($column, DB::table($parent)->select($at))->count();
                if ($lost > 0) {
                    throw new CannotMove("$lost rows of $table point to rows of $parent that are not there. Nothing was taken in.");
                }
            }
        }
    }

    private function checkRecords(int $company, CompanyKeys $keys): int
    {
        $records = 0;
        foreach (KeptRecord::all($company) as $record) {
            $fault = $record->fault($keys);
            if ($fault !== null) {
                throw new CannotMove("The record $record->id of $record->table is not whole: $fault. Nothing was taken in.");
            }
            $records++;
        }

        return $records;
    }
}
