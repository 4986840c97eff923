<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Http\Typed;
use App\Models\Absence;
use App\Models\Feed;
use App\Models\Site;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\WorkProfile;
use Escapement\Core\Schedule\Day;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

/** The exercises of all sites. */
final readonly class ShowCalendar
{
    private const MOST = 600;

    public function __invoke(Request $request): View
    {
        $view = Typed::text($request, 'view');
        $today = (int) Day::read(Carbon::now()->format('Y-m-d'));
        $query = TransferSwitch::query();
        $query->orderBy('id')->limit(self::MOST);
        /** @var array<int, TransferSwitch> $switches */
        $switches = $query->with(['site', 'sheet', 'upkeep'])->get()->keyBy('id')->all();

        $page = new CalendarPage(
            $switches,
            isset(CalendarPage::VIEWS[$view]) ? $view : 'week',
            Day::read(Typed::text($request, 'on')) ?? $today,
            $today,
        );

        return view('calendar.page', ['page' => $page] + $this->people($request));
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
        $asked = $all->firstWhere('id', (int) Typed::text($request, 'person'));

        return [
            'people' => $all, 'profiles' => WorkProfile::query()->get()->keyBy('user_id'), 'absences' => $absences->with('user')->get(),
            'feeds' => $feeds->get(), 'sites' => $sites->orderBy('name')->pluck('name', 'id'), 'names' => $all->pluck('name', 'id'),
            'edited' => $asked !== null && ($user->role->mayLead() || $asked->id === $user->id && $user->role->mayWrite()) ? $asked : null,
        ];
    }
}
