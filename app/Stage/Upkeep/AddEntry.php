<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\Units;
use App\Bridge\UpkeepFacts;
use App\Http\Typed;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Writes a line into the logbook; the same one sent again is the same. */
final readonly class AddEntry
{
    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'id' => ['required', 'uuid'],
            'kind' => ['required', 'in:' . implode(',', array_keys(array_diff_key(EntryForm::kinds(), ['test' => true])))],
            'at' => ['required', 'date_format:Y-m-d\TH:i'],
            'note' => ['nullable', 'string', 'max:300'],
            'items' => ['nullable', 'array', 'max:60'],
            'items.*' => ['string', 'max:64'],
        ], ['at.*' => 'Day and hour, as 2026-11-26 14:30.', 'note.*' => '300 letters at most.']);
        $switch->load(SiteStanding::NEEDS);
        $kind = (string) $fields['kind'];
        $form = new EntryForm(new Units($switch->site->units), $switch->site->timezone, $switch->fuel?->value === 'natural_gas');
        $typed = [];
        foreach (array_keys($form->fields($kind)) as $name) {
            $typed[$name] = Typed::text($request, "f.$name", 64);
        }
        $at = Carbon::parse($form->instant((string) $fields['at']));
        if ($at->isAfter(Carbon::now()->addMinutes(5))) {
            throw ValidationException::withMessages(['at' => 'What is written down has happened already.']);
        }
        /** @var User $user */
        $user = $request->user();
        $entry = new LogEntry([
            'id' => $fields['id'], 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
            'kind' => $kind, 'at' => $at, 'note' => $fields['note'] ?? null,
            'fields' => $kind === 'service' ? ['items' => array_values((array) ($fields['items'] ?? []))] : $form->wire($kind, $typed),
        ]);
        DB::transaction(static function () use ($switch, $entry): void {
            TransferSwitch::locked($switch->id);
            if (LogEntry::query()->whereKey($entry->id)->where('switch_id', $switch->id)->exists()) {
                return;
            }
            self::check($switch, $entry);
            $entry->save();
        });

        return redirect()->route('logbook', ['switch' => $switch, 'kind' => $kind])->with('said', 'Written down.');
    }

    /** @throws ValidationException at the field that the core's reader refuses */
    private static function check(TransferSwitch $switch, LogEntry $entry): void
    {
        try {
            UpkeepFacts::of($switch, Carbon::now())->logbook(Carbon::now()->subYear(), $entry);
        } catch (BadInput $bad) {
            $key = substr((string) strrchr($bad->path, '/'), 1);
            $field = match ($key) {
                'at' => 'at',
                'items' => 'items',
                default => "f.$key",
            };
            throw ValidationException::withMessages([$field => $key === 'items' ? 'Tick what was done.' : $bad->getMessage()]);
        }
    }
}
