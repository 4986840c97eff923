<?php

declare(strict_types=1);

namespace App\Stage\Upkeep;

use App\Bridge\UpkeepFacts;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\User;
use App\Stage\ClockOffset;
use App\Stage\LogbookBook;
use App\Stage\RecordingUpload;
use App\Stage\SiteStanding;
use Escapement\Core\Input\BadInput;
use Escapement\Core\Recording\RecordingFault;
use Escapement\Core\Schedule\Logbook\ControllerLog;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Ramsey\Uuid\Uuid;

/**
 * Writes the event log of a controller into the logbook, as outages, exercises and alarms of the device. The same log again adds nothing;
 * an outage or an exercise that somebody has written down stays theirs.
 *
 * @phpstan-import-type Told from ControllerLog
 */
final readonly class ImportEvents
{
    private const MOST_ENTRIES = 400;
    /** People write the hour of an exercise, a controller its second. */
    private const SAME_EXERCISE_S = 7200;

    public function __construct(private LogbookBook $book) {}

    public function __invoke(Request $request, TransferSwitch $switch): RedirectResponse
    {
        $fields = $request->validate([
            'zone' => ['required', 'timezone:all'], 'says' => ['nullable', 'date_format:H:i:s,H:i', 'required_with:is'],
            'is' => ['nullable', 'date_format:H:i:s,H:i', 'required_with:says'],
        ], [
            'zone.*' => 'A time zone, as America/New_York.', 'says.*' => 'What the clock of the controller said, as 09:15:00.',
            'is.*' => 'What the time really was, as 09:17:30.',
        ]);
        $switch->load(SiteStanding::NEEDS);
        /** @var User $user */
        $user = $request->user();
        try {
            $upload = RecordingUpload::of(RecordingUpload::files($request, 'events'));
            $table = EventTable::of($upload, $request);
            $vocabulary = $table->vocabulary($upload->tablePieces(), false);
            $log = new ControllerLog($table->events(
                $upload->tablePieces(),
                new \DateTimeZone((string) $fields['zone']),
                ClockOffset::seconds($fields['says'] ?? null, $fields['is'] ?? null),
                Carbon::now()->getTimestamp(),
            ));
            if ($log->entries === [] || count($log->entries) > self::MOST_ENTRIES) {
                throw RecordingFault::whole($log
                    ->entries === [] ? 'No line of it says anything for the logbook: look at what its words mean.'
                    : 'More than ' . self::MOST_ENTRIES . ' entries: cut the log into parts.');
            }
            [$written, $known] = DB::transaction(function () use ($switch, $user, $log, $table, $vocabulary): array {
                TransferSwitch::locked($switch->id);
                $table->remember($user, $vocabulary);

                return $this->write($switch, $user, $log->entries);
            });
        } catch (RecordingFault $fault) {
            throw ValidationException::withMessages(['events' => $fault->getMessage() . ' Nothing was kept.']);
        } catch (BadInput $bad) {
            throw ValidationException::withMessages(['events' => "It does not fit the logbook: {$bad->getMessage()} Nothing was kept."]);
        }

        return redirect()->route('logbook', $switch)->with('said', "$written entries of the controller are written down."
            . ($known === 0 ? '' : " $known were there already.")
            . ($log->unfinished === 0 ? '' : " $log->unfinished that it does not see end were left out."));
    }

    /**
     * @param list<Told> $told
     *
     * @return array{int, int} how many are new, and how many were there
     *
     * @throws BadInput where they do not fit to what is written
     */
    private function write(TransferSwitch $switch, User $user, array $told): array
    {
        $now = Carbon::now();
        $before = UpkeepFacts::of($switch, $now)->lines->all();
        $new = 0;
        foreach ($told as $one) {
            $id = Uuid::uuid5(Uuid::NAMESPACE_URL, "escapement:$switch->id:{$one['kind']}:{$one['at']}:" . ($one['fields']['code'] ?? ''));
            if ($this->isWritten($one, $id->toString(), $before)) {
                continue;
            }
            $instant = static fn(int $at): string => gmdate('Y-m-d\TH:i:s\Z', $at);
            $fields = $one['fields'];
            foreach (['end', 'cleared'] as $key) {
                if (is_int($fields[$key] ?? null)) {
                    $fields[$key] = $instant($fields[$key]);
                }
            }
            $this->book->write($switch, $user, new LogEntry([
                'id' => $id->toString(), 'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id,
                'kind' => $one['kind'], 'at' => Carbon::createFromTimestamp($one['at']), 'fields' => $fields,
                'note' => 'By the log of the controller.', 'source' => 'device',
            ]), 'the controller');
            $new++;
        }
        UpkeepFacts::of($switch, $now)->logbook($now->copy()->subYears(20));

        return [$new, count($told) - $new];
    }

    /**
     * The same entry, struck out or not, or an outage or an exercise that somebody wrote down about this time.
     *
     * @param Told           $one
     * @param list<LogEntry> $before
     */
    private function isWritten(array $one, string $id, array $before): bool
    {
        if (LogEntry::query()->whereKey($id)->exists()) {
            return true;
        }
        foreach ($before as $entry) {
            if ($one['kind'] === 'exercise' && $entry->kind === 'exercise' && $entry->source !== 'device'
                && abs($entry->at->getTimestamp() - $one['at']) <= self::SAME_EXERCISE_S) {
                return true;
            }
            $end = $entry->fields['end'] ?? null;
            if ($one['kind'] === 'outage' && $entry->kind === 'outage' && is_string($end)
                && $entry->at->getTimestamp() < (int) $one['fields']['end']
                && Carbon::parse($end)->getTimestamp() > $one['at']) {
                return true;
            }
        }

        return false;
    }
}
