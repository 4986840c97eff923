<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bridge\CompanyKeys;
use App\Models\Company;
use App\Stage\Moving\CompanyRows;
use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Takes everything of a company away, once it was exported: its rows, what hangs on them, and its key. Nothing is left that points to
 * what is gone, or nothing is done. Records cannot be deleted by the account of the application: run by bin/as-owner.
 */
final class DeleteCompany extends Command
{
    protected $signature = 'company:delete {company : its number} {export : a new file that everything goes to before} '
        . '{--name= : its name, typed, so that it is the right one}';
    protected $description = 'Export all rows of a company, then delete them.';

    public function handle(): int
    {
        $company = Company::query()->find($this->number());
        if ($company === null) {
            return $this->refuse('There is no such company.');
        }
        if ($this->option('name') !== $company->name) {
            return $this->refuse("This is $company->name. Type its name after --name= to delete it.");
        }
        if ($this->call('company:export', ['company' => $company->id, 'file' => $this->argument('export')]) !== self::SUCCESS) {
            return self::FAILURE;
        }
        DB::beginTransaction();
        try {
            [$rows, $orphans] = $this->delete($company->id);
        } catch (QueryException $refused) {
            DB::rollBack();

            return $this->refuse(str_contains($refused->getMessage(), 'denied')
                ? 'This account may not delete records. Run it as bin/as-owner company:delete …; nothing was deleted.'
                : 'Nothing was deleted: ' . $refused->getPrevious()?->getMessage());
        }
        if ($orphans !== []) {
            DB::rollBack();

            return $this->refuse('Nothing was deleted, because it would be pointed to: ' . implode(', ', $orphans));
        }
        DB::commit();
        (new CompanyKeys())->forget($company->id);
        $this->info("$company->name is gone: $rows rows.");

        return self::SUCCESS;
    }

    /** @return array{int, list<string>} rows that went, and tables that still point to one of them */
    private function delete(int $company): array
    {
        $rows = 0;
        $links = self::links();
        $people = DB::table('users')->where('company_id', $company)->pluck('id')->all();
        DB::statement('SET FOREIGN_KEY_CHECKS = 0'); // of this connection: the rows point to each other, and all of them go
        try {
            $rows += DB::table('sessions')->whereIn('user_id', $people)->delete();
            $rows += DB::table('personal_access_tokens')->whereIn('tokenable_id', $people)->delete();
            foreach (CompanyRows::tables() as $table) {
                $rows += DB::table($table)->where('company_id', $company)->delete();
            }
            $rows += DB::table('companies')->where('id', $company)->delete();
            foreach ($links as [$table, $column, $parent]) {
                $rows += Schema::hasColumn($table, 'company_id') ? 0 : DB::table($table)->whereNotNull($column)
                    ->whereNotIn($column, DB::table($parent)->select('id'))->delete();
            }
        } finally {
            DB::statement('SET FOREIGN_KEY_CHECKS = 1');
        }
        $orphans = [];
        foreach ($links as [$table, $column, $parent]) {
            $left = DB::table($table)->whereNotNull($column)->whereNotIn($column, DB::table($parent)->select('id'))->count();
            if ($left > 0) {
                $orphans[] = "$left rows of $table";
            }
        }

        return [$rows, $orphans];
    }

    /** @return list<array{string, string, string}> every column that points to a row: table, column, and where it points */
    private static function links(): array
    {
        $links = [];
        foreach (Schema::getTableListing(Schema::getCurrentSchemaName(), schemaQualified: false) as $table) {
            foreach (Schema::getForeignKeys($table) as $key) {
                $links[] = [(string) $table, $key['columns'][0], $key['foreign_table']];
            }
        }

        return $links;
    }

    private function refuse(string $why): int
    {
        $this->error($why);

        return self::FAILURE;
    }

    private function number(): int
    {
        $value = $this->argument('company');

        return is_numeric($value) ? (int) $value : 0;
    }
}
