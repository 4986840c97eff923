<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\Absence;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\MaxInstancesExceededException;
use Sabre\VObject\Recur\NoInstancesException;

/** Takes absences and closures of another calendar for the year ahead. The same event imported again is changed, not doubled. */
final readonly class ImportAbsences
{
    private const MOST_KB = 2048;
    private const MOST_EVENTS = 500;

    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $fields = $request->validate([
            'ics' => ['required', 'file', 'max:' . self::MOST_KB],
            'who' => ['nullable', Rule::exists('users', 'id')->where('company_id', $user->company_id)],
        ], ['ics.*' => 'A calendar file (.ics) of up to 2 MB.', 'who.*' => 'Choose a person, or the whole company.']);
        $file = $request->file('ics');
        $rows = $this->rows($file instanceof UploadedFile ? $file->getContent() : '');
        $who = isset($fields['who']) ? (int) $fields['who'] : null;
        DB::transaction(static function () use ($rows, $user, $who): void {
            foreach ($rows as $row) {
                $query = Absence::query();
                $query->where('uid', $row['uid'])->when(
                    $who === null,
                    static fn($q) => $q->whereNull('user_id'),
                    static fn($q) => $q->where('user_id', $who),
                );
                $known = $query->first() ?? new Absence(['company_id' => $user->company_id, 'user_id' => $who, 'uid' => $row['uid']]);
                $known->fill($row)->save();
            }
        });

        return redirect()->to(route('calendar') . '#people')->with('said', count($rows) . ' absences are kept.');
    }

    /**
     * @return list<array{uid: string, from: string, to: string, words: string}>
     *
     * @throws ValidationException
     */
    private function rows(string $text): array
    {
        $fail = static fn(string $why): ValidationException => ValidationException::withMessages(['ics' => "$why Nothing was kept."]);
        try {
            $calendar = Reader::read($text);
            if (! $calendar instanceof VCalendar) {
                throw $fail('This is no calendar.');
            }
            $calendar = $calendar->expand(new \DateTimeImmutable('-30 days'), new \DateTimeImmutable('+366 days'));
        } catch (InvalidDataException|MaxInstancesExceededException|NoInstancesException|ParseException|\InvalidArgumentException) {
            throw $fail('This calendar cannot be read, or one of its rules never ends.');
        }
        $events = $calendar?->select('VEVENT') ?? [];
        if (count($events) > self::MOST_EVENTS) {
            throw $fail('More than ' . self::MOST_EVENTS . ' events in a year: send the calendar of absences only.');
        }
        $rows = [];
        foreach ($events as $event) {
            if ($event instanceof VEvent && isset($event->DTSTART)) {
                $rows[] = $this->row($event);
            }
        }

        return $rows;
    }

    /** @return array{uid: string, from: string, to: string, words: string} */
    private function row(VEvent $event): array
    {
        $moment = static fn(string $name): ?\DateTimeImmutable => $event->__get($name) instanceof DateTime
            ? $event->__get($name)->getDateTime() : null;
        $from = $moment('DTSTART') ?? new \DateTimeImmutable('today');
        $to = $moment('DTEND') ?? $from->modify('+1 day');
        // an end at midnight is that of the day before
        $last = $to > $from && $to->format('His') === '000000' ? $to->modify('-1 second') : $to;

        return [
            'uid' => mb_substr((string) ($event->UID ?? ''), 0, 170) . '/' . $from->format('Ymd\THis'),
            'from' => $from->format('Y-m-d'), 'to' => max($from, $last)->format('Y-m-d'),
            'words' => mb_substr(mb_scrub(trim((string) ($event->SUMMARY ?? ''))) ?: 'away', 0, 120),
        ];
    }
}
