<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\CompanyKeys;
use App\Models\Logbook;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Stage\LogbookBook;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Input\Node;
use Escapement\Core\Record\HeadSeal;
use Escapement\Core\Record\LogbookRecord;
use Escapement\Core\Record\RecordChain;

/** A logbook with its record, by the published schema logbook; and whether its table is what was recorded. */
final readonly class LogbookExport
{
    public ?Logbook $book;
    /** The first thing that does not fit the record; null when all does. */
    public ?string $fault;
    /** How many entries the record has; 0 where nothing was written since records are kept. */
    public int $count;

    /** @param list<LogEntry> $entries with their users */
    public function __construct(private TransferSwitch $switch, private array $entries)
    {
        $query = Logbook::query();
        $query->where('switch_id', $switch->id);
        $this->book = $query->with('entries')->first();
        $this->count = $this->book?->entries()->count() ?? 0;
        $fault = null;
        if ($this->count > 0) {
            try {
                $line = $this->toArray();
                LogbookRecord::verification(Node::fromArray($line));
                $fault = $this->book === null ? null : (new CompanyKeys())->fault(
                    $switch->company_id,
                    HeadSeal::read($this->book->seal),
                    $this->count,
                    $this->book->head,
                    (string) data_get($line, 'record.entries.' . ($this->count - 1) . '.server_time'),
                );
            } catch (BadInput $bad) {
                $fault = rtrim($bad->getMessage(), '.') . ", at $bad->path.";
            }
        }
        $this->fault = $fault;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $site = $this->switch->site;
        $recorded = $makers = [];
        foreach ($this->book?->entries()->get() ?? [] as $one) {
            /** @var array<string, mixed> $line */
            $line = json_decode($one->entry, true, 64, JSON_THROW_ON_ERROR);
            $recorded[] = ['hash' => $one->hash] + $line;
            if ($line['kind'] === 'written') {
                $makers[(string) data_get($line, 'what.id')] = data_get($line, 'what.who') ?? $line['who'];
            }
        }

        return [
            'format' => LogbookRecord::FORMAT,
            'site' => ['name' => $site->name, 'address' => $site->address, 'timezone' => $site->timezone],
            'switch' => $this->switch->name,
            // the name as it was recorded: somebody who is called otherwise since then still wrote it under that name
            'entries' => array_map(
                static fn(LogEntry $one): array => LogbookBook::entry($one) + ['who' => $makers[$one->id] ?? $one->user->name],
                $this->entries,
            ),
            'record' => [
                'head' => $this->book->head ?? RecordChain::GENESIS, 'seal' => HeadSeal::read($this->book?->seal)?->toArray(),
                'entries' => $recorded,
            ],
        ];
    }
}
