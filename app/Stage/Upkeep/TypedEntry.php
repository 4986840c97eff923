<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\Units;
use App\Bridge\UpkeepFacts;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Input\BadInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\ValidationException;

/**
 * A line for the logbook as it is typed, on a page or on a phone that was without a network.
 * Needs of the switch: what a standing needs.
 */
final readonly class TypedEntry
{
    private const AHEAD_MIN = 5;

    public function __construct(private TransferSwitch $switch) {}

    /**
     * @param array<array-key, mixed> $typed id, kind, at (wall time of the site), note, items, f
     *
     * @return LogEntry not saved yet
     *
     * @throws ValidationException at the field
     */
    public function entry(array $typed, User $user): LogEntry
    {
        $fields = Validator::make($typed, [
            'id' => ['required', 'uuid'],
            'kind' => ['required', 'in:' . implode(',', array_keys(array_diff_key(EntryForm::kinds(), ['test' => true])))],
            'at' => ['required', 'date_format:Y-m-d\TH:i'],
            'note' => ['nullable', 'string', 'max:300'],
            'items' => ['nullable', 'array', 'max:60'],
            'items.*' => ['string', 'max:64'],
        ], ['at.*' => 'Day and hour, as 2026-11-26 14:30.', 'note.*' => '300 letters at most.'])->validate();
        $kind = (string) $fields['kind'];
        $site = $this->switch->site;
        $form = new EntryForm(new Units($site->units), $site->timezone, $this->switch->fuel?->value === 'natural_gas');
        $given = is_array($typed['f'] ?? null) ? $typed['f'] : [];
        $words = [];
        foreach (array_keys($form->fields($kind)) as $name) {
            $words[$name] = is_scalar($given[$name] ?? null) ? mb_substr(trim((string) $given[$name]), 0, 64) : '';
        }
        $at = Carbon::parse($form->instant((string) $fields['at']));
        if ($at->isAfter(Carbon::now()->addMinutes(self::AHEAD_MIN))) {
            throw ValidationException::withMessages(['at' => 'What is written down has happened already.']);
        }
        $entry = new LogEntry([
            'id' => strtolower((string) $fields['id']), 'company_id' => $this->switch->company_id, 'switch_id' => $this->switch->id,
            'user_id' => $user->id, 'kind' => $kind, 'at' => $at, 'note' => $fields['note'] ?? null,
            'fields' => $kind === 'service' ? ['items' => array_values((array) ($fields['items'] ?? []))] : $form->wire($kind, $words),
        ]);
        $this->check($entry);

        return $entry;
    }

    private static function isSame(LogEntry $known, LogEntry $entry): bool
    {
        return [$known->kind, $known->fields, $known->note, $known->at->getTimestamp()]
            == [$entry->kind, $entry->fields, $entry->note, $entry->at->getTimestamp()];
    }

    /** @throws ValidationException at the field that the core's reader refuses */
    private function check(LogEntry $entry): void
    {
        try {
            $query = LogEntry::query();
            $query->where('id', $entry->id)->where('switch_id', $this->switch->id);
            $known = $query->first();
            if ($known !== null && ! self::isSame($known, $entry)) {
                throw ValidationException::withMessages(['note' => 'Something else was written from this page already. Open it anew.']);
            }
            $from = Carbon::now()->subYear()->min($entry->at);
            UpkeepFacts::of($this->switch, Carbon::now())->logbook($from, $known === null ? $entry : null);
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
