<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Models\User;
use App\Models\Visit;
use Escapement\Core\Plant\SelfActing;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** What one person does on one day, in order, with what each site has to be known for. */
final readonly class DaySheet
{
    /** @var Collection<int, Visit> in their order */
    public Collection $visits;
    /** The next day on which there is something, for a day without. */
    public ?Carbon $next;

    public function __construct(public User $person, public Carbon $on)
    {
        $query = Visit::query();
        $query->where('placed_user_id', $person->id)->where('placed_on', $on->format('Y-m-d'))->orderBy('begin_min');
        $this->visits = $query->with(['switch.site', 'switch.proofs'])->get();
        $after = Visit::query();
        $after->where('placed_user_id', $person->id)->where('placed_on', '>', $on->format('Y-m-d'))->whereNull('done_at')
            ->orderBy('placed_on');
        $this->next = $after->first()?->placed_on;
    }

    public function title(): string
    {
        return $this->on->format('D j M Y');
    }

    public static function clock(?int $minute): string
    {
        return $minute === null ? '' : sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
    }

    /** Where to go, and who receives. */
    public static function place(Visit $visit): string
    {
        $site = $visit->switch->site;

        return ($site->address ?? 'Address not known') . ($site->owner === null ? '' : ", $site->owner");
    }

    /** What can kill there, before anything is touched. */
    public static function hazard(Visit $visit): string
    {
        $acts = new SelfActing($visit->switch->site->installation);

        return "{$acts->danger()} {$acts->before()}";
    }
}
