<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Models\Site;
use App\Stage\SiteStanding;
use Illuminate\Support\Carbon;

/** The start page: what needs me today, and where every site stands. */
final readonly class BoardPage
{
    /** @var list<BoardRow> those that need somebody first */
    public array $rows;
    /** @var list<BoardNeed> worst first */
    public array $needs;

    /** @param array<int, Site> $sites */
    public function __construct(array $sites, public string $wanted, public Carbon $now)
    {
        $rows = [];
        foreach ($sites as $site) {
            $switches = $site->switches->all() === [] ? [null] : $site->switches->all();
            foreach ($switches as $switch) {
                $rows[] = new BoardRow(new SiteStanding($site, $switch), count($switches) > 1);
            }
        }
        usort($rows, static fn(BoardRow $a, BoardRow $b): int => [$a->need->rank ?? 9, $a->name] <=> [$b->need->rank ?? 9, $b->name]);
        $this->rows = $rows;
        $this->needs = array_values(array_filter(array_map(
            static fn(BoardRow $row): ?BoardNeed => ($row->need->rank ?? 9) < 3 ? $row->need : null,
            $rows,
        )));
    }

    public function provenCount(): int
    {
        return count(array_filter($this->rows, static fn(BoardRow $row): bool => $row->isProven));
    }
}
