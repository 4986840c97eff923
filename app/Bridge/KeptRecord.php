<?php

declare(strict_types=1);

namespace App\Bridge;

use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\RecordChain;
use Illuminate\Support\Facades\DB;

/** A record as it lies in the database: of a run, a load test, a logbook. Its chain is hashed again, and its seal is checked. */
final readonly class KeptRecord
{
    private const TABLES = ['runs' => 'run_id', 'load_tests' => 'load_test_id', 'logbooks' => 'logbook_id'];

    /** @param list<\stdClass> $entries in their order, each with entry and hash */
    private function __construct(
        public string $table,
        public int $id,
        private int $company,
        public string $head,
        private mixed $seal,
        private array $entries,
    ) {}

    /** @return iterable<self> of one company, or of all where none is named */
    public static function all(?int $company = null): iterable
    {
        foreach (self::TABLES as $table => $key) {
            $query = DB::table($table)->orderBy('id');
            foreach ($company === null ? $query->lazy(200) : $query->where('company_id', $company)->lazy(200) as $record) {
                yield new self(
                    $table,
                    (int) $record->id,
                    (int) $record->company_id,
                    (string) $record->head,
                    $record->seal,
                    array_values(DB::table('record_entries')->where($key, $record->id)->orderBy('seq')->get(['entry', 'hash'])->all()),
                );
            }
        }
    }

    public function length(): int
    {
        return count($this->entries);
    }

    /** Why it is not whole; null when it is. */
    public function fault(CompanyKeys $keys): ?string
    {
        try {
            $links = $this->links();
        } catch (\JsonException) {
            return 'an entry cannot be read';
        }
        $broken = (new RecordChain())->firstBroken($links);
        if ($broken !== null) {
            return "entry $broken is not what was recorded";
        }
        $last = $links === [] ? null : $links[count($links) - 1];
        if ($last === null) {
            return $this->head === RecordChain::GENESIS ? null : 'its entries are missing';
        }
        if ($last['hash'] !== $this->head) {
            return 'the head is not the last entry';
        }
        $grewAt = is_string($last['entry']['server_time'] ?? null) ? $last['entry']['server_time'] : 'now';

        return $keys->fault($this->company, HeadSeal::read($this->seal), count($links), $this->head, $grewAt);
    }

    /**
     * @return list<array{hash: string, entry: array<array-key, mixed>}>
     *
     * @throws \JsonException
     */
    private function links(): array
    {
        return array_map(static fn(\stdClass $one): array => [
            'hash' => (string) $one->hash, 'entry' => (array) json_decode((string) $one->entry, true, 64, JSON_THROW_ON_ERROR),
        ], $this->entries);
    }
}
