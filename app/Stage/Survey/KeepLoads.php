<?php

declare(strict_types=1);

namespace App\Stage\Survey;

use App\Bridge\SourceFacts;
use App\Http\Typed;
use App\Models\LoadItem;
use App\Models\TransferSwitch;
use Escapement\Core\Power\PlausibleLoad;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** The whole list of loads at once. A line whose name is cleared is taken out; what somebody else did to the list meanwhile stays. */
final readonly class KeepLoads
{
    public function keep(Request $request, TransferSwitch $switch): void
    {
        $was = json_decode(Typed::text($request, 'was', 200_000), true);
        $was = is_array($was) ? array_values(array_filter($was, is_array(...))) : null;
        $request->merge(['loads' => self::withoutCleared(
            LoadLines::typed($request),
            (array) $request->input('loads', []),
            count($was ?? []),
        )]);
        $fields = $request->validate(
            LoadLines::rules() + [
                'loads.*.connect' => ['nullable', Rule::in(array_keys(LoadLines::connections($switch)))],
                'sure' => ['nullable', 'boolean'],
            ],
            LoadLines::messages(),
        );
        $lines = array_map(LoadLines::columns(...), array_values($fields['loads'] ?? []));
        if (! ($fields['sure'] ?? false)) {
            $this->askBack($switch, $lines);
        }
        DB::transaction(static function () use ($request, $switch, $lines, $was): void {
            $locked = TransferSwitch::locked($switch->id);
            $now = LoadLines::kept($locked);
            $merged = new MergeLoads($lines, $was ?? $now, $now);
            if ($merged->both !== []) {
                $request->merge(['was' => json_encode($now, JSON_THROW_ON_ERROR)]);
                throw ValidationException::withMessages($merged->both);
            }
            $panels = $locked->loads()->pluck('panel', 'name'); // where a load hangs is said on the drawing, not here
            $locked->loads()->delete();
            $locked->noteStatusChange(); // a list that was emptied goes past the models
            foreach ($merged->lines as $place => $line) {
                LoadItem::query()->create(LoadLines::columns($line) + [
                    'company_id' => $switch->company_id,
                    'switch_id' => $switch->id,
                    'place' => $place,
                    'panel' => $panels[$line['name']] ?? null,
                ]);
            }
        });
    }

    /**
     * @param list<array<string, mixed>> $lines with something typed
     * @param array<mixed>               $typed all of the form, of which the first were there already
     *
     * @return list<array<string, mixed>>
     */
    private static function withoutCleared(array $lines, array $typed, int $known): array
    {
        $cleared = array_filter(
            array_slice(array_values($typed), 0, $known),
            static fn(mixed $line): bool => is_array($line) && trim(is_scalar($line['name'] ?? null) ? (string) $line['name'] : '') === '',
        );

        return array_values(array_filter($lines, static fn(array $line): bool => ! in_array($line, $cleared, true)));
    }

    /**
     * @param list<array<string, mixed>> $lines
     *
     * @throws ValidationException where a figure is likelier a slip of the pen
     */
    private function askBack(TransferSwitch $switch, array $lines): void
    {
        $system = SourceFacts::systemOf($switch);
        $doubts = [];
        foreach ($lines as $i => $line) {
            $doubt = PlausibleLoad::doubt(
                $system,
                $switch->site->installation->isMobile(),
                is_numeric($line['kw']) ? (float) $line['kw'] : 0.0,
            );
            if ($doubt !== null) {
                $doubts["loads.$i.kw"] = $doubt;
            }
        }
        if ($doubts !== []) {
            throw ValidationException::withMessages($doubts + ['sure' => 'Correct it, or tick that it is so.']);
        }
    }
}
