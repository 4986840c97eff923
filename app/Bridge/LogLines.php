<?php

declare(strict_types=1);

namespace App\Bridge;

use App\Models\LogEntry;
use Escapement\Core\Schedule\Logbook\LogbookReach;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The lines of a logbook that count, read when they are asked for and kind by kind: years of a device's log are long. */
final class LogLines
{
    /** @var array<string, list<LogEntry>> in the order of time, by kind */
    private array $read = [];
    /** @var ?list<LogEntry> */
    private ?array $all = null;

    private const AT_ONCE = 1000;

    public function __construct(private readonly int $switchId) {}

    /** @return list<LogEntry> in the order of time */
    public function all(): array
    {
        return $this->all ??= $this->query(null);
    }

    /** @return list<LogEntry> in the order of time */
    public function of(string $kind): array
    {
        if ($this->all !== null) {
            return array_values(array_filter($this->all, static fn(LogEntry $one): bool => $one->kind === $kind));
        }

        return $this->read[$kind] ??= $this->query($kind);
    }

    /**
     * Of the kinds that tell how far back the core reads, what it needs for that.
     *
     * @return list<array{kind: string, at: int, end: ?int}>
     */
    public function reaching(): array
    {
        return array_values($this->lean()->whereIn('kind', LogbookReach::REACHING)->get()->map(static fn(object $row): array => [
            'kind' => (string) $row->kind, 'at' => self::seconds((string) $row->at) ?? 0, 'end' => self::seconds($row->end),
        ])->all());
    }

    /** @return list<LogEntry> that a summary of a span of time needs, by time */
    public function within(LogbookReach $reach): array
    {
        $rows = $this->lean()->where(static function (Builder $any) use ($reach): void {
            $any->where('at', '>=', gmdate('Y-m-d H:i:s', $reach->backS))->orWhereIn('kind', LogbookReach::OF_ANY_TIME);
        })->get();
        $needed = $rows->filter(static fn(object $row): bool => $reach->needs(
            (string) $row->kind,
            self::seconds((string) $row->at) ?? 0,
            self::seconds($row->end),
        ));
        $entries = [];
        foreach ($needed->pluck('id')->chunk(self::AT_ONCE) as $some) {
            $query = LogEntry::query();
            $query->whereKey($some->all())->orderBy('at')->orderBy('id');
            array_push($entries, ...$query->get()->all());
        }
        return $entries;
    }

    public function isEmpty(): bool
    {
        return $this->count() === 0;
    }

    public function count(): int
    {
        $query = LogEntry::query();

        return $this->all === null ? $query->where('switch_id', $this->switchId)->whereNull('struck_why')->count() : count($this->all);
    }

    private function lean(): Builder
    {
        return DB::table('log_entries')->where('switch_id', $this->switchId)->whereNull('struck_why')->orderBy('at')->orderBy('id')
            ->selectRaw("id, kind, at, COALESCE(JSON_VALUE(fields, '$.cleared'), JSON_VALUE(fields, '$.until')) AS end");
    }

    private static function seconds(?string $moment): ?int
    {
        // a column of the database has no zone behind it, a field of the entry has
        $seconds = $moment === null ? false : strtotime(str_ends_with($moment, 'Z') ? $moment : "$moment UTC");

        return $seconds === false ? null : $seconds;
    }

    /** @return list<LogEntry> */
    private function query(?string $kind): array
    {
        $query = LogEntry::query();
        $query->where('switch_id', $this->switchId)->whereNull('struck_why')->orderBy('at')->orderBy('id');
        if ($kind !== null) {
            $query->where('kind', $kind);
        }

        return array_values($query->get()->all());
    }
}
