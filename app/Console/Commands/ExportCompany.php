<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Company;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Schema;

/**
 * Everything of one company as JSON lines, one row a line, pictures too (bytes as base64:…); passwords, the hashes of links and what signs
 * messages stay behind.
 */
final class ExportCompany extends Command
{
    private const SECRET = ['password', 'remember_token', 'token_hash', 'totp_secret', 'totp_step', 'recovery_codes', 'secret'];
    /** What is a company's by what it points to; the account of the application may not ask the database for that. */
    public const HANGING = [
        'photo_files' => ['point' => 'photo_id', 'at' => 'photos', 'key' => ['photo_id']],
        'guest_sites' => ['point' => 'user_id', 'at' => 'users', 'key' => ['user_id', 'site_id']],
    ];
    private const AT_ONCE = 10; // pictures, half a megabyte each

    protected $signature = 'company:export {company : its number} {file : where it goes}';
    protected $description = 'Write all rows of a company to a file.';

    public function handle(): int
    {
        $company = Company::query()->find((int) $this->text('company'));
        $path = $this->text('file');
        $mayBe = $company !== null && ! File::exists($path) && File::isWritable(dirname($path));
        $file = $mayBe ? fopen($path, 'x') : false;
        if ($company === null || $file === false) {
            $this->error($company === null ? 'There is no such company.' : 'This file cannot be made, or is there already.');

            return self::FAILURE;
        }
        $this->write($file, 'companies', $company->getAttributes());
        $rows = 1;
        foreach (self::tables() as $table) {
            foreach (DB::table($table)->where('company_id', $company->id)->orderBy('id')->lazy(200) as $row) {
                $this->write($file, $table, get_object_vars($row));
                $rows++;
            }
        }
        foreach (self::HANGING as $table => ['point' => $point, 'at' => $parent, 'key' => $key]) {
            $query = DB::table($table)->whereIn($point, DB::table($parent)->where('company_id', $company->id)->select('id'));
            foreach ($key as $part) {
                $query->orderBy($part); // each row once: it is read in parts
            }
            foreach ($query->lazy(self::AT_ONCE) as $row) {
                $this->write($file, $table, get_object_vars($row));
                $rows++;
            }
        }
        fclose($file);
        $this->info("$rows rows.");

        return self::SUCCESS;
    }

    /** @return list<string> tables whose rows belong to a company */
    public static function tables(): array
    {
        return array_values(array_filter(
            Schema::getTableListing(Schema::getCurrentSchemaName(), schemaQualified: false),
            static fn(string $table): bool => Schema::hasColumn($table, 'company_id'),
        ));
    }

    /**
     * @param resource             $file
     * @param array<string, mixed> $row
     */
    private function write($file, string $table, array $row): void
    {
        $row = array_map(
            static fn(mixed $one): mixed => is_string($one) && ! mb_check_encoding($one, 'UTF-8') ? 'base64:' . base64_encode($one) : $one,
            array_diff_key($row, array_flip(self::SECRET)),
        );
        fwrite($file, json_encode(['table' => $table] + ['row' => $row], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE) . "\n");
    }

    private function text(string $name): string
    {
        $value = $this->argument($name);

        return is_scalar($value) ? trim((string) $value) : '';
    }
}
