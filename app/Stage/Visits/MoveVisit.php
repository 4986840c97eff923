<?php

declare(strict_types=1);

namespace App\Stage\Visits;

use App\Bridge\VisitFacts;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitPlanning;
use Escapement\Core\Schedule\Day;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Locks a visit to a person and a day, or unlocks it; the rest is planned around it. Where it cannot stand, it stays, and why is said. */
final readonly class MoveVisit
{
    private const DAYS = 10;

    public function __invoke(Request $request, Visit $visit): JsonResponse|RedirectResponse
    {
        $fields = $request->validate([
            'person' => ['nullable', 'integer', 'required_with:on'], 'on' => ['nullable', 'date_format:Y-m-d', 'required_with:person'],
        ], ['person.*' => 'Choose a person.', 'on.*' => 'Choose a day.']);
        /** @var User $user */
        $user = $request->user();
        $query = VisitPlanning::query();
        $query->orderByDesc('id');
        $last = $query->first();
        $start = $last->start ?? Carbon::today();
        $days = $last->days ?? self::DAYS;
        if (isset($fields['person'], $fields['on'])) {
            $facts = new VisitFacts((int) VisitFacts::day($start), $days);
            $refusal = $facts->refusal($visit, (int) $fields['person'], (int) Day::read((string) $fields['on']));
            if ($refusal !== null) {
                throw ValidationException::withMessages(['on' => VisitWords::REFUSED[$refusal]]);
            }
        }
        DB::transaction(static function () use ($visit, $fields): void {
            $locked = Visit::locked($visit->id);
            abort_if($locked->done_at !== null, 409, 'This visit is done.');
            $locked->update(['locked_user_id' => $fields['person'] ?? null, 'locked_on' => $fields['on'] ?? null]);
        });
        BeginPlanning::begin($user, $start, $days);

        return $request->expectsJson() ? response()->json(['moved' => $visit->id])
            : redirect()->route('visits')->with('said', isset($fields['person']) ? 'It is locked there; the rest is planned around it.'
                : 'It is free again; all is planned anew.');
    }
}
