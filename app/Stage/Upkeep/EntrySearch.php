<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Http\Typed;
use App\Models\LogEntry;
use Illuminate\Http\Request;
use Illuminate\Pagination\LengthAwarePaginator;

/** What is looked for in a logbook: every word typed, in any order, in what an entry shows; of one kind or of all. */
final readonly class EntrySearch
{
    private const A_PAGE = 50;

    private function __construct(public string $words, public string $kind, private int $page) {}

    /** A kind that is none counts as all, a page that is none as the first. */
    public static function from(Request $request): self
    {
        $kind = Typed::text($request, 'only', 12);

        return new self(
            Typed::text($request, 'find'),
            isset(EntryForm::kinds()[$kind]) ? $kind : '',
            max(1, (int) Typed::text($request, 'page', 6)),
        );
    }

    public function isAsked(): bool
    {
        return $this->words !== '' || $this->kind !== '';
    }

    /**
     * @param list<LogEntry>             $entries in the order they are shown
     * @param callable(LogEntry): string $text    all an entry shows
     *
     * @return LengthAwarePaginator<int, LogEntry> a page past the last is the last
     */
    public function of(array $entries, callable $text, string $path): LengthAwarePaginator
    {
        $wanted = preg_split('/\s+/u', mb_strtolower($this->words), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = array_values(array_filter(
            $entries,
            fn(LogEntry $entry): bool => ($this->kind === '' || $entry->kind === $this->kind)
                && ($wanted === [] || self::hasAll(mb_strtolower($text($entry)), $wanted)),
        ));
        $page = min($this->page, max(1, (int) ceil(count($found) / self::A_PAGE)));
        $asked = array_filter(['find' => $this->words, 'only' => $this->kind], static fn(string $one): bool => $one !== '');

        return new LengthAwarePaginator(
            array_slice($found, ($page - 1) * self::A_PAGE, self::A_PAGE),
            count($found),
            self::A_PAGE,
            $page,
            ['path' => $path, 'query' => $asked, 'fragment' => 'lines'],
        );
    }

    /** @param list<string> $wanted */
    private static function hasAll(string $shown, array $wanted): bool
    {
        foreach ($wanted as $word) {
            if (! str_contains($shown, $word)) {
                return false;
            }
        }

        return true;
    }
}
