<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bridge\CompanyKeys;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\RecordChain;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * The head of every record of every company, one a line: what a backup is held against after it was read back. Each chain is hashed again,
 * and its seal is checked.
 */
final class RecordHeads extends Command
{
    private const TABLES = ['runs' => 'run_id', 'load_tests' => 'load_test_id', 'logbooks' => 'logbook_id'];

    protected $signature = 'records:heads';
    protected $description = 'List the head of every record, and fail where one is not whole.';

    public function handle(): int
    {
        $isWhole = true;
        $keys = new CompanyKeys();
        foreach (self::TABLES as $table => $key) {
            foreach (DB::table($table)->orderBy('id')->lazy(200) as $record) {
                $entries = DB::table('record_entries')->where($key, $record->id)->orderBy('seq')->get(['entry', 'hash']);
                $fault = $this->fault($record, $entries->all(), $keys);
                $isWhole = $isWhole && $fault === null;
                $this->line("$table $record->id {$entries->count()} $record->head" . ($fault === null ? '' : " FAULT $fault"));
            }
        }

        return $isWhole ? self::SUCCESS : self::FAILURE;
    }

    /** @param array<int, \stdClass> $entries in their order */
    private function fault(\stdClass $record, array $entries, CompanyKeys $keys): ?string
    {
        try {
            $links = self::links($entries);
        } catch (\JsonException) {
            return 'an entry cannot be read';
        }
        $broken = (new RecordChain())->firstBroken($links);
        if ($broken !== null) {
            return "entry $broken is not what was recorded";
        }
        $last = $links === [] ? null : $links[count($links) - 1];
        if ($last === null) {
            return $record->head === RecordChain::GENESIS ? null : 'its entries are missing';
        }
        if ($last['hash'] !== $record->head) {
            return 'the head is not the last entry';
        }

        return $keys->fault(
            (int) $record->company_id,
            HeadSeal::read($record->seal),
            count($links),
            (string) $record->head,
            is_string($last['entry']['server_time'] ?? null) ? $last['entry']['server_time'] : 'now',
        );
    }

    /**
     * @param array<int, \stdClass> $entries
     *
     * @return list<array{hash: string, entry: array<array-key, mixed>}>
     *
     * @throws \JsonException
     */
    private static function links(array $entries): array
    {
        return array_map(static fn(\stdClass $one): array => [
            'hash' => (string) $one->hash, 'entry' => (array) json_decode((string) $one->entry, true, 64, JSON_THROW_ON_ERROR),
        ], array_values($entries));
    }
}
