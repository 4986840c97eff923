<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Jobs\CheckLogbook;
use App\Jobs\Turn;
use App\Models\Logbook;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;

/**
 * Whether a logbook is what was recorded. A long one is checked in the queue, and says up to where and when; its export can be checked
 * anywhere.
 */
final readonly class LogbookState
{
    /** From here on a check is felt on a page. */
    public const LONG = 500;
    private const AGAIN_S = 900;
    private const KEPT_S = 86_400;

    /**
     * @param ?string $fault   the first thing that does not fit; null when all that was checked does
     * @param int     $checked how many entries were checked
     * @param ?Carbon $at      when; null: just now
     */
    private function __construct(public ?string $fault, public int $count, public int $checked, public string $head, public ?Carbon $at) {}

    public static function of(TransferSwitch $switch, Carbon $now): self
    {
        $query = Logbook::query();
        $book = $query->where('switch_id', $switch->id)->first();
        $count = $book?->entries()->count() ?? 0;
        if ($book === null || $count === 0) {
            return new self(null, 0, 0, '', null); // from before records were kept, or nothing is written
        }
        if ($count < self::LONG) {
            $export = new LogbookExport($switch, LogEntry::of($switch->id));

            return new self($export->fault, $export->count, $export->count, $export->book->head ?? '', null);
        }
        $kept = self::kept($switch->id);
        if ($kept === null || $kept['checked'] !== $count || $kept['at'] < $now->getTimestamp() - self::AGAIN_S) {
            CheckLogbook::dispatch($switch->id)->onQueue(Turn::HEAVY);
            $kept = self::kept($switch->id); // where the queue does it at once
        }

        return new self(
            $kept['fault'] ?? null,
            $count,
            $kept['checked'] ?? 0,
            $book->head,
            $kept === null ? null : Carbon::createFromTimestamp($kept['at']),
        );
    }

    /** Checks all of it, and keeps what came out; puts into words what was not searched yet. */
    public static function check(TransferSwitch $switch): void
    {
        $export = new LogbookExport($switch, LogEntry::of($switch->id));
        EntrySearch::write($switch->id, new EntryWords($switch));
        Cache::put(
            "logbook-state/$switch->id",
            ['fault' => $export->fault, 'checked' => $export->count, 'at' => Carbon::now()->getTimestamp()],
            self::KEPT_S,
        );
    }

    public function words(string $timezone): string
    {
        $at = $this->at === null ? '' : ', checked ' . $this->at->copy()->setTimezone($timezone)->format('j M H:i');
        $head = substr($this->head, 0, 16);

        return match (true) {
            $this->fault !== null => "Record: $this->fault",
            $this->checked === 0 => "Record of $this->count entries, head $head: being checked.",
            $this->checked < $this->count => "Record whole to entry $this->checked of $this->count$at; the rest is being checked.",
            default => "Record whole: $this->count entries, head $head$at.",
        };
    }

    /** @return ?array{fault: ?string, checked: int, at: int} */
    private static function kept(int $switchId): ?array
    {
        /** @var ?array{fault: ?string, checked: int, at: int} $kept */
        $kept = Cache::get("logbook-state/$switchId");

        return $kept;
    }
}
