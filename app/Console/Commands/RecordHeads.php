<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bridge\CompanyKeys;
use App\Bridge\KeptRecord;
use Illuminate\Console\Command;

/** The head of every record of every company, one a line: what a backup is held against after it was read back. */
final class RecordHeads extends Command
{
    protected $signature = 'records:heads';
    protected $description = 'List the head of every record, and fail where one is not whole.';

    public function handle(CompanyKeys $keys): int
    {
        $isWhole = true;
        foreach (KeptRecord::all() as $record) {
            $fault = $record->fault($keys);
            $isWhole = $isWhole && $fault === null;
            $this->line("$record->table $record->id {$record->length()} $record->head" . ($fault === null ? '' : " FAULT $fault"));
        }

        return $isWhole ? self::SUCCESS : self::FAILURE;
    }
}
