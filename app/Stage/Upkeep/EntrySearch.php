<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Http\Typed;
use App\Models\LogEntry;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;

/**
 * What is looked for in a logbook: every word typed, in any order and in any part of a word, in what an entry shows; of one kind
 * or of all. A number on a nameplate is found by its end too, which an index of whole words cannot do.
 */
final readonly class EntrySearch
{
    private const A_PAGE = 50;
    private const AT_ONCE = 1000;
    private const MOST = 700;
    private const INDEX = 'log_entries_search';
    /** What a row cannot be without. */
    private const WRITTEN = ['id' => 1, 'company_id' => 1, 'switch_id' => 1, 'user_id' => 1, 'kind' => 1, 'fields' => 1];

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

    /** @return LengthAwarePaginator<int, LogEntry> newest first, struck ones too; a page past the last is the last */
    public function of(int $switchId, EntryWords $words, string $path): LengthAwarePaginator
    {
        $query = LogEntry::query();
        $query->where('switch_id', $switchId);
        if ($this->kind !== '') {
            $query->where('kind', $this->kind);
        }
        $wanted = preg_split('/\s+/u', $this->words, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if ($wanted !== []) {
            self::write($switchId, $words);
        }
        foreach ($wanted as $word) {
            $like = '%' . addcslashes(mb_strtolower($word), '%_\\') . '%';
            $people = User::query()->where('name', 'like', $like)->pluck('id')->all();
            $query->where(static function (Builder $any) use ($like, $people): void {
                $any->where('shown', 'like', $like)->orWhereIn('user_id', $people);
            });
        }
        $found = (clone $query)->withoutGlobalScope('company')->count(); // of a switch that is the company's; an index answers it
        $page = min($this->page, max(1, (int) ceil($found / self::A_PAGE)));
        $query->withoutGlobalScope('company')->orderByDesc('at')->orderByDesc('id')->forPage($page, self::A_PAGE);
        if ($wanted !== []) {
            $query->forceIndex(self::INDEX); // that of the time alone would look each word up in its row
        }
        $ids = $query->pluck('id');
        $shown = LogEntry::query();
        $shown->whereKey($ids->all())->with(['user', 'photos'])->orderByDesc('at')->orderByDesc('id');
        $rows = array_values($shown->get()->all());

        return new LengthAwarePaginator(
            $rows,
            $found,
            self::A_PAGE,
            $page,
            ['path' => $path, 'query' => array_filter(
                ['find' => $this->words, 'only' => $this->kind],
                static fn(string $one): bool => $one !== '',
            ), 'fragment' => 'lines'],
        );
    }

    /** Puts into words what is new since the last search, or was put by another clock or in other units. */
    public static function write(int $switchId, EntryWords $words): void
    {
        $manner = $words->manner();
        $query = LogEntry::query();
        $query->where('switch_id', $switchId)->where(static function (Builder $any) use ($manner): void {
            $any->whereNull('shown_as')->orWhere('shown_as', '<>', $manner);
        });
        if (! (clone $query)->withoutGlobalScope('company')->exists()) {
            return; // most of the time; the index says so
        }
        $query->chunkById(self::AT_ONCE, static function ($entries) use ($words, $manner): void {
            $rows = [];
            foreach ($entries as $entry) {
                $rows[] = array_intersect_key($entry->getAttributes(), self::WRITTEN) + [
                    'shown' => mb_substr(mb_strtolower($words->all($entry)), 0, self::MOST), 'shown_as' => $manner,
                ];
            }
            DB::table('log_entries')->upsert($rows, 'id', ['shown', 'shown_as']); // one statement; of what is there nothing else is touched
        });
    }
}
