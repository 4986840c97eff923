<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Bridge\PlanFacts;
use App\Http\Seen;
use App\Models\LoadItem;
use App\Models\Plan;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** The drawing is changed through its elements: the poles of the switch, panels beside those of its kind, and where each load hangs. */
final readonly class SaveElements
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $switch->load(['site', 'loads', 'plan']);
        $request->merge([
            'panels' => array_values(array_filter(
                (array) $request->input('panels', []),
                static fn(mixed $line): bool => is_array($line) && is_scalar($line['name'] ?? null) && trim((string) $line['name']) !== '',
            )),
        ]);
        $fields = $request->validate([
            'poles' => ['nullable', 'integer', 'between:1,4'],
            'panels' => ['array', 'max:8'],
            'panels.*.id' => ['nullable', 'string', 'regex:/^sub-[1-9]$/', 'distinct'],
            'panels.*.name' => ['required', 'string', 'max:40'],
            'panels.*.from' => ['required', 'string', 'max:20'],
            'panels.*.breaker_a' => ['required', 'integer', 'between:15,1200'], 'panels.*.bonded' => ['nullable', 'boolean'],
            'hangs' => ['array', 'max:200'], 'hangs.*' => ['nullable', 'string', 'max:20'],
        ], [
            'poles.*' => '1 to 4 poles.',
            'panels.*.breaker_a.*' => 'Whole amps of the breaker that feeds it, 15 to 1200.',
            'panels.*.name.*' => 'A name of up to 40 characters.',
        ]);
        $panels = $this->numbered($fields['panels'] ?? []);
        $this->refuseStrangeFeeders($panels, array_keys((new PlanFacts($switch, null))->plan->panels()), $request);
        $facts = ['panels' => $panels] + ($switch->plan->facts ?? []);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(static function () use ($switch, $user, $facts, $fields, $request): void {
            Plan::keep($switch, $user, ['facts' => $facts], Seen::asks($request));
            if (array_key_exists('poles', $fields)) {
                $switch->update(['poles' => $fields['poles']]);
            }
            $switch->noteStatusChange(); // the next writes go past the models
            foreach ($fields['hangs'] ?? [] as $load => $panel) {
                $query = LoadItem::query();
                $query->where('switch_id', $switch->id)->whereKey((int) $load)->update([
                    'panel' => $panel === null || $panel === '' ? null : $panel,
                ]);
            }
        });

        return redirect()->route('plan', $switch)->with('said', 'The drawing is made anew.');
    }

    /**
     * A panel keeps its number as long as it is there, so that loads stay on it.
     *
     * @param list<array<string, mixed>> $panels
     *
     * @return list<array<string, mixed>>
     */
    private function numbered(array $panels): array
    {
        $taken = array_filter(array_column($panels, 'id'));
        $free = array_values(array_diff(array_map(static fn(int $n): string => "sub-$n", range(1, 9)), $taken));

        return array_map(static function (array $panel) use (&$free): array {
            return [
                'id' => $panel['id'] ?? array_shift($free), 'breaker_a' => (int) $panel['breaker_a'],
                'bonded' => isset($panel['bonded']) ? (bool) $panel['bonded'] : null,
            ] + $panel;
        }, $panels);
    }

    /**
     * Each panel is fed by one of the kind, or by one that stands above it in the list.
     *
     * @param list<array<string, mixed>> $panels
     * @param list<string>               $known
     */
    private function refuseStrangeFeeders(array $panels, array $known, Request $request): void
    {
        $rules = [];
        foreach ($panels as $i => $panel) {
            $rules["panels.$i.from"] = [Rule::in($known)];
            $known[] = is_string($panel['id']) ? $panel['id'] : '';
        }
        $request->validate($rules, ['panels.*.from.*' => 'A panel is fed from one of the drawing, or from one above it in this list.']);
    }
}
