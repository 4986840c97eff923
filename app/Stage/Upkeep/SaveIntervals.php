<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\UpkeepFacts;
use App\Http\Seen;
use App\Models\Company;
use App\Models\ServiceInterval;
use App\Models\StatusChange;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\SiteStanding;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Intervals of service of a site, and by its lead of the whole company; an empty line falls back to the one above. */
final readonly class SaveIntervals
{
    private const MOST_HOURS = 100_000;
    private const MOST_MONTHS = 240;

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        $items = array_keys(UpkeepFacts::of($switch, Carbon::now())->genericItems());
        $typed = $request->input('i');
        $typed = is_array($typed) ? $typed : [];
        DB::transaction(static function () use ($request, $switch, $user, $items, $typed): void {
            Company::query()->lockForUpdate()->find($switch->company_id); // its intervals are saved from any of its sites
            $kept = ServiceInterval::around($switch->id);
            Seen::check($request, IntervalForm::stamped($kept), self::savedLast($kept));
            $changed = [];
            foreach ($user->role->mayLead() ? array_keys(IntervalForm::SCOPES) : ['site'] as $scope) {
                foreach ($items as $item) {
                    $line = $typed[$item][$scope] ?? null;
                    if (is_array($line)) {
                        $changed[$scope] = self::keep($switch, $user, $item, $scope, $line) || ($changed[$scope] ?? false);
                    }
                }
            }
            match (true) {
                $changed['company'] ?? false => StatusChange::ofCompany($switch->company_id),
                $changed['site'] ?? false => StatusChange::ofSwitch($switch->id),
                default => null,
            };
        });

        return redirect()->route('schedule', $switch)->with('said', 'The intervals are saved.');
    }

    /** @param Collection<int, ServiceInterval> $kept */
    private static function savedLast(Collection $kept): string
    {
        $last = $kept->sortBy('updated_at')->last();
        $by = $last === null ? null : User::query()->find($last->user_id);

        return $by === null ? 'by somebody else' : "by $by->name";
    }

    /**
     * @param array<array-key, mixed> $line hours and months as typed
     *
     * @return bool whether it is another than it was
     */
    private static function keep(TransferSwitch $switch, User $user, string $item, string $scope, array $line): bool
    {
        $query = ServiceInterval::query();
        $query->where('item', $item)->where('switch_id', $scope === 'site' ? $switch->id : null);
        $known = $query->first();
        $figures = self::figures($line, "i.$item.$scope");
        if ($figures === null) {
            return (bool) $known?->delete();
        }
        $interval = $known ?? new ServiceInterval([
            'company_id' => $switch->company_id, 'switch_id' => $scope === 'site' ? $switch->id : null, 'item' => $item,
        ]);
        $interval->fill($figures);

        return $interval->isDirty() && $interval->fill(['user_id' => $user->id])->save();
    }

    /**
     * @param array<array-key, mixed> $line
     *
     * @return null|array{hours: ?float, months: ?int, is_off: bool} null: nothing was typed
     */
    private static function figures(array $line, string $field): ?array
    {
        $text = static fn(mixed $one): string => is_scalar($one) ? trim(str_replace(',', '.', (string) $one)) : '';
        [$hours, $months] = [$text($line['hours'] ?? ''), $text($line['months'] ?? '')];
        if ($months === 'off') {
            return ['hours' => null, 'months' => null, 'is_off' => true];
        }
        if ($hours !== '' && (! is_numeric($hours) || $hours <= 0 || $hours > self::MOST_HOURS)) {
            throw ValidationException::withMessages(["$field.hours" => 'Hours of the engine, up to 100 000.']);
        }
        if ($months !== '' && (preg_match('/^\d{1,3}$/D', $months) !== 1 || (int) $months < 1 || (int) $months > self::MOST_MONTHS)) {
            throw ValidationException::withMessages(["$field.months" => 'Months from 1 to 240, or off where it is not done.']);
        }

        return $hours === '' && $months === '' ? null : [
            'hours' => $hours === '' ? null : (float) $hours, 'months' => $months === '' ? null : (int) $months, 'is_off' => false,
        ];
    }
}
