<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Bridge\UpkeepFacts;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Models\Visit;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Schedule\Service\DueItem;
use Escapement\Core\Schedule\Service\EngineHours;
use Escapement\Core\Schedule\Service\ServiceDue;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Makes a visit of what is due on each switch; one that waits already is brought up to date, one that is locked stays as it is. */
final readonly class CollectVisits
{
    private const AHEAD_DAYS = 30;
    private const MOST = 500;
    /** Of one visit: the rest of a day goes into the way. */
    private const MOST_MIN = 360;

    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $query = TransferSwitch::query();
        $query->orderBy('id')->limit(self::MOST);
        $new = $unknown = 0;
        foreach ($query->with(SiteStanding::NEEDS)->get() as $switch) {
            $due = $this->due($switch);
            if ($due === null) {
                $unknown++;
            } else {
                $new += $this->keep($user, $switch, $due);
            }
        }

        return redirect()->route('visits')->with('said', ($new === 0 ? 'Nothing new is due within a month.' : "$new visits are new.")
            . ($unknown > 0 ? " Of $unknown sites it is not known what is due: see their Schedule." : ''));
    }

    /** @return null|list<array{items: list<string>, minutes: int, skills: list<string>, due: string}> null: not known */
    private function due(TransferSwitch $switch): ?array
    {
        if (! $switch->site->installation->hasGenerator() || $switch->fuel?->value === 'battery') {
            return [];
        }
        try {
            $input = UpkeepFacts::of($switch, Carbon::now())->service();
        } catch (BadInput) {
            return null;
        }
        if ($input === null) {
            return null;
        }
        /** @var list<array{date: string, items: list<string>, minutes: float, skills: list<string>}> $visits */
        $visits = (new ServiceDue())->of($input)->values['visits'] ?? [];
        $first = $visits[0] ?? null;
        if ($first === null || $first['date'] > Carbon::now()->addDays(self::AHEAD_DAYS)->format('Y-m-d')) {
            return [];
        }
        $wanted = array_filter(
            ServiceDue::items($input, new EngineHours($input)),
            static fn(DueItem $one): bool => in_array($one->item->id, $first['items'], true),
        );

        return self::pieces(array_values($wanted), $first['date']);
    }

    /**
     * What is due together, in pieces that fit into a day with the way there and back.
     *
     * @param list<DueItem> $items
     *
     * @return list<array{items: list<string>, minutes: int, skills: list<string>, due: string}>
     */
    private static function pieces(array $items, string $due): array
    {
        $groups = [[]];
        $minutes = 0.0;
        foreach ($items as $one) {
            if ($minutes > 0 && $minutes + $one->item->minutes > self::MOST_MIN) {
                $groups[] = [];
                $minutes = 0.0;
            }
            $groups[count($groups) - 1][] = $one;
            $minutes += $one->item->minutes;
        }

        return array_values(array_map(static fn(array $group): array => [
            'items' => array_values(array_map(static fn(DueItem $one): string => $one->item->id, $group)),
            'minutes' => (int) round(array_sum(array_map(static fn(DueItem $one): float => $one->item->minutes, $group))),
            'skills' => array_values(array_unique(array_filter(
                array_map(static fn(DueItem $one): ?string => $one->item->skill, $group),
                is_string(...),
            ))),
            'due' => $due,
        ], array_filter($groups, static fn(array $group): bool => $group !== [])));
    }

    /**
     * The visits that wait for a switch become these, in their order; one that is locked stays as it is, what is too many goes.
     *
     * @param list<array{items: list<string>, minutes: int, skills: list<string>, due: string}> $pieces
     *
     * @return int how many are new
     */
    private function keep(User $user, TransferSwitch $switch, array $pieces): int
    {
        return DB::transaction(static function () use ($user, $switch, $pieces): int {
            TransferSwitch::locked($switch->id);
            $query = Visit::query();
            $query->where('switch_id', $switch->id)->whereNull('done_at')->whereNull('note')->orderBy('id');
            $waiting = array_values($query->get()->all());
            foreach ($pieces as $i => $piece) {
                $columns = [
                    'items' => $piece['items'], 'duration_min' => max(15, $piece['minutes']), 'skills' => $piece['skills'],
                    'due' => $piece['due'], 'priority' => $switch->upkeep->priority ?? 3,
                ];
                if (! isset($waiting[$i])) {
                    Visit::query()->create($columns + ['company_id' => $user->company_id, 'switch_id' => $switch->id]);
                } elseif (! $waiting[$i]->isLocked()) {
                    $waiting[$i]->update($columns);
                }
            }
            foreach (array_slice($waiting, count($pieces)) as $surplus) {
                $surplus->isLocked() || $surplus->delete();
            }

            return max(0, count($pieces) - count($waiting));
        });
    }
}
