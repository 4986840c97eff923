<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Drawing\Ruler\DayTeeth;
use App\Models\SwitchStatus;
use App\Models\User;
use App\Models\Visit;
use App\Stage\Visits\VisitWords;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Carbon;

/** The start page: what needs me today, and where every site stands, from what was worked out when it changed. */
final readonly class BoardPage
{
    private const A_PAGE = 25;
    private const MOST_NEEDS = 8;
    /** Where the day has visits of its own below them. */
    private const FEW_NEEDS = 4;

    /** @var LengthAwarePaginator<int, SwitchStatus> */
    public LengthAwarePaginator $shown;
    /** @var list<BoardLine> */
    public array $lines;
    /** @var list<BoardLine> worst first */
    public array $needs;
    /** @var array{all: int, proven: int, late: int, needs: int} of the whole company */
    public array $counts;
    /** @var null|array{int, int} first and last month of storms */
    public ?array $storms;
    /** The visits of the signed-in person today, by the clock of their sites; null where there is none. */
    public ?DayTeeth $day;

    /** @param int $waiting sites whose status is still being worked out */
    public function __construct(public User $user, public BoardView $view, public Carbon $now, public int $waiting)
    {
        $company = $user->company;
        $this->storms = $company->storm_from === null || $company->storm_to === null ? null : [$company->storm_from, $company->storm_to];
        $query = $view->narrowed(SwitchStatus::query(), $now);
        $this->shown = $query->paginate(self::A_PAGE, page: $view->page)->withPath(route('board'))->appends($view->query());
        $this->lines = $this->lines($this->shown->items());
        $this->day = $this->visits();
        $needs = SwitchStatus::query();
        $needs->where('rank', '<=', BoardView::NEEDS_RANK)->orderBy('rank')->orderBy('name')
            ->limit($this->day === null ? self::MOST_NEEDS : self::FEW_NEEDS);
        $this->needs = $this->lines($needs->get()->all());
        $counted = SwitchStatus::query()->toBase()->selectRaw(
            'count(*) as `all`, coalesce(sum(is_proven), 0) as proven, coalesce(sum(' . BoardView::LATE . '), 0) as late, '
                . 'coalesce(sum(`rank` <= ?), 0) as needs',
            [$now->format('Y-m-d'), BoardView::NEEDS_RANK],
        )->first();
        $this->counts = [
            'all' => (int) ($counted->all ?? 0), 'proven' => (int) ($counted->proven ?? 0), 'late' => (int) ($counted->late ?? 0),
            'needs' => (int) ($counted->needs ?? 0),
        ];
    }

    /** What stands under the heading, in one sentence. */
    public function summary(): string
    {
        $late = $this->counts['late'];
        $words = $late === 1 ? 'load test is late or was never done' : 'load tests are late or were never done';

        return "{$this->counts['proven']} of {$this->counts['all']} proven in every part."
            . ($late === 0 ? '' : " $late $words.");
    }

    /** Why the list is empty. */
    public function nothing(): string
    {
        return match (true) {
            $this->counts['all'] === 0 => 'No site yet. Begin with "New site": its name, its kind, and what you know.',
            $this->view->wanted !== '' => "No site is called, addressed or owned like \"{$this->view->wanted}\".",
            default => 'No site stands like that.',
        };
    }

    public function shownOf(): string
    {
        return "{$this->shown->firstItem()} to {$this->shown->lastItem()} of {$this->shown->total()}";
    }

    public function moreNeeds(): int
    {
        return max(0, $this->counts['needs'] - count($this->needs));
    }

    private function visits(): ?DayTeeth
    {
        $query = Visit::query();
        $days = [$this->now->copy()->subDay()->format('Y-m-d'), $this->now->copy()->addDay()->format('Y-m-d')];
        $query->where('placed_user_id', $this->user->id)->whereBetween('placed_on', $days)->whereNotNull('begin_min')->orderBy('begin_min');
        $there = fn(Visit $one): Carbon => $this->now->copy()->setTimezone($one->switch->site->timezone);
        $visits = $query->with('switch.site')->get()
            ->filter(static fn(Visit $one): bool => $one->placed_on?->format('Y-m-d') === $there($one)->format('Y-m-d'))->values();
        $first = $visits->first();
        if ($first === null) {
            return null;
        }
        $stops = $visits->map(static fn(Visit $one): array => [
            'from' => (int) $one->begin_min, 'to' => (int) $one->end_min, 'title' => $one->switch->site->name,
            'words' => VisitWords::of($one) . ($one->done_at === null ? '' : ', done'),
            'url' => route('my-day', ['on' => $one->placed_on?->format('Y-m-d')]),
        ])->all();

        return new DayTeeth(array_values($stops), 60 * $there($first)->hour + $there($first)->minute);
    }

    /**
     * @param array<int, SwitchStatus> $statuses
     *
     * @return list<BoardLine>
     */
    private function lines(array $statuses): array
    {
        return array_map(fn(SwitchStatus $one): BoardLine => new BoardLine($one, $this->now, $this->storms), array_values($statuses));
    }
}
