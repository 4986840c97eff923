<?php

declare(strict_types=1);

namespace App\Stage\Board;

use App\Http\Typed;
use App\Models\SwitchStatus;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** What somebody wants to see of the board, and in which order; what is none of these is the usual. */
final readonly class BoardView
{
    public const SHOWS = [
        'all' => 'All', 'needs' => 'Needs somebody', 'stop' => 'Stops', 'late' => 'Load test late or never', 'soon' => 'Due in 60 days',
        'never' => 'Never load-tested', 'open' => 'Not proven',
    ];
    public const SORTS = ['need' => 'Who needs you first', 'name' => 'Name', 'test' => 'Next load test', 'proven' => 'Proven last'];
    private const SOON_DAYS = 60;
    /** Somebody is needed at a site of this rank or worse: a stop, a warning, a note. */
    public const NEEDS_RANK = 2;
    /** A load test that was never done is due now. */
    public const LATE = 'asks_tests AND (next_test_on IS NULL OR next_test_on < ?)';

    private function __construct(public string $wanted, public string $show, public string $sort, public int $page) {}

    public static function of(Request $request): self
    {
        $show = Typed::text($request, 'show', 10);
        $sort = Typed::text($request, 'sort', 10);

        return new self(
            Typed::text($request, 'q', 80),
            isset(self::SHOWS[$show]) ? $show : 'all',
            isset(self::SORTS[$sort]) ? $sort : 'need',
            max(1, (int) Typed::text($request, 'page', 6)),
        );
    }

    /** @return array<string, string> as an address has it; what is usual is left out */
    public function query(): array
    {
        return array_filter([
            'q' => $this->wanted, 'show' => $this->show === 'all' ? '' : $this->show, 'sort' => $this->sort === 'need' ? '' : $this->sort,
        ], static fn(string $one): bool => $one !== '');
    }

    public function isUsual(): bool
    {
        return $this->query() === [];
    }

    /**
     * @param Builder<SwitchStatus> $query
     *
     * @return Builder<SwitchStatus>
     */
    public function narrowed(Builder $query, Carbon $today): Builder
    {
        $day = $today->format('Y-m-d');
        match ($this->show) {
            'needs' => $query->where('rank', '<=', self::NEEDS_RANK),
            'stop' => $query->where('rank', 0),
            'late' => $query->whereRaw('(' . self::LATE . ')', [$day]),
            'soon' => $query->whereBetween('next_test_on', [$day, $today->copy()->addDays(self::SOON_DAYS)->format('Y-m-d')]),
            'never' => $query->where('asks_tests', true)->whereNull('last_test_on'),
            'open' => $query->where('is_proven', false),
            default => null,
        };
        if ($this->wanted !== '') {
            $like = '%' . addcslashes($this->wanted, '%_\\') . '%';
            $query->where(static function (Builder $inner) use ($like): void {
                $inner->where('switch_statuses.name', 'like', $like)->orWhereHas('site', static function (Builder $site) use ($like): void {
                    $site->where('address', 'like', $like)->orWhere('owner', 'like', $like);
                });
            });
        }
        match ($this->sort) {
            'name' => $query->orderBy('name'),
            'test' => $query->orderByRaw('next_test_on IS NULL')->orderBy('next_test_on')->orderBy('name'),
            'proven' => $query->orderByDesc('proven_on')->orderBy('name'),
            default => $query->orderBy('rank')->orderBy('name'),
        };

        $query->orderBy('id');

        return $query;
    }
}
