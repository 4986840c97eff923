<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\Schema;

/**
 * Prints what the account of the application may do in the database: everything that it needs and no more. Into records it may write, and
 * never change or delete; tables are made by another account.
 */
final class PrintGrants extends Command
{
    private const ONLY_GROWS = ['record_entries'];

    protected $signature = 'db:grants {account : as the database names it} {--host=127.0.0.1}';
    protected $description = 'Print the SQL that grants the account of the application what it may do.';

    public function handle(): int
    {
        $account = sprintf("'%s'@'%s'", self::word($this->argument('account')), self::word($this->option('host')));
        foreach (Schema::getTableListing(Schema::getCurrentSchemaName(), schemaQualified: false) as $table) {
            $may = in_array($table, self::ONLY_GROWS, true) ? 'SELECT, INSERT' : 'SELECT, INSERT, UPDATE, DELETE';
            $this->line(sprintf('GRANT %s ON `%s`.`%s` TO %s;', $may, Schema::getConnection()->getDatabaseName(), $table, $account));
        }

        return self::SUCCESS;
    }

    /** What stands in quotes has none of its own. */
    private static function word(mixed $given): string
    {
        return is_string($given) && preg_match('/^[\w.%-]+$/D', $given) === 1 ? $given
            : throw new \InvalidArgumentException('A name of letters, digits, dots and dashes.');
    }
}
