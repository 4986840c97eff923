<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Http\Typed;
use App\Models\Absence;
use App\Models\Feed;
use App\Models\Site;
use App\Models\User;
use App\Models\WorkProfile;
use Escapement\Core\Schedule\Day;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection as BaseCollection;

/** The exercises of all sites. */
final readonly class ShowCalendar
{
    public function __invoke(Request $request): View
    {
        $view = Typed::text($request, 'view');
        $today = (int) Day::read(Carbon::now()->format('Y-m-d'));
        $view = isset(CalendarRange::VIEWS[$view]) ? $view : 'week';
        $on = Day::read(Typed::text($request, 'on')) ?? $today;
        /** @var User $user */
        $user = $request->user();

        return view('calendar.page', [
            'range' => new CalendarRange($view, $on), 'page' => CalendarDigest::cached($user, $view, $on, $today),
        ] + $this->people($request));
    }

    /** @return array<string, mixed> who works when, who is away, and which calendars are read from outside */
    private function people(Request $request): array
    {
        /** @var User $user */
        $user = $request->user();
        $people = User::query();
        $people->where('company_id', $user->company_id)->whereNull('left_at')->orderBy('name');
        $all = $people->get();
        $absences = Absence::query();
        $absences->where('to', '>=', Carbon::today())->orderBy('from');
        $feeds = Feed::query();
        $feeds->whereNull('revoked_at')->orderBy('id');
        $sites = Site::query();
        $siteNames = $sites->orderBy('name')->pluck('name', 'id');
        $asked = $all->firstWhere('id', (int) Typed::text($request, 'person'));

        return [
            'people' => $all, 'profiles' => WorkProfile::query()->get()->keyBy('user_id'), 'absences' => $absences->with('user')->get(),
            'feeds' => $this->feeds($feeds->get(), $siteNames, $all->pluck('name', 'id')), 'sites' => $siteNames,
            'edited' => $asked !== null && ($user->role->mayLead() || $asked->id === $user->id && $user->role->mayWrite()) ? $asked : null,
        ];
    }

    /**
     * @param Collection<int, Feed>             $feeds
     * @param BaseCollection<int|string, mixed> $sites names by id
     * @param BaseCollection<int|string, mixed> $names of people by id
     *
     * @return list<array{feed: Feed, words: string}> what each is of, when it was made and by whom
     */
    private function feeds(Collection $feeds, BaseCollection $sites, BaseCollection $names): array
    {
        return array_values($feeds->map(static function (Feed $feed) use ($sites, $names): array {
            $of = match ($feed->scope) {
                'company' => 'The whole company',
                'person' => 'Visits of ' . ($names[$feed->person_id] ?? 'a person'),
                default => $sites[$feed->site_id] ?? 'A site',
            };
            $by = $names[$feed->user_id] ?? 'somebody';

            return ['feed' => $feed, 'words' => "$of, made {$feed->created_at->format('j M Y')} by $by"];
        })->all());
    }
}
