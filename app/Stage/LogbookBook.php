<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\Logbook;
use App\Models\LogEntry;
use App\Models\TransferSwitch;
use App\Models\User;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Survey\Subject;

/** Writes into a logbook and into its chained record. To be called inside a transaction. */
final readonly class LogbookBook
{
    public function __construct(private Record $record) {}

    /**
     * What is not written yet; the same one again is the same.
     *
     * @param ?string $who where it is not the user: the owner, a device
     */
    public function write(TransferSwitch $switch, User $user, LogEntry $entry, ?string $who = null): void
    {
        $book = $this->begun($switch);
        if (LogEntry::query()->whereKey($entry->id)->where('switch_id', $switch->id)->exists()) {
            return;
        }
        $entry->save();
        $this->record->append($book, $user, 'written', self::entry($entry->refresh()) + ($who === null ? [] : ['who' => $who]));
    }

    /** A picture of a line, bound into the record by its hash. */
    public function photo(TransferSwitch $switch, User $user, LogEntry $entry, string $id, Picture $picture, ?string $deviceTime): void
    {
        $book = $this->begun($switch);
        $photo = KeptPhoto::of($picture, $switch, $user, [
            'id' => $id, 'log_entry_id' => $entry->id, 'subject' => Subject::Photos->value, 'moment' => 'during',
            'caption' => mb_substr('Logbook' . ($entry->note === null ? '' : ": $entry->note"), 0, 200),
        ]);
        $this->record->append($book, $user, 'photo', [
            'id' => $id, 'entry' => $entry->id, 'sha256' => $photo->sha256, 'kept_sha256' => hash('sha256', $picture->full),
        ], $deviceTime);
    }

    public function strike(TransferSwitch $switch, User $user, LogEntry $entry, string $why): void
    {
        $book = $this->begun($switch);
        $entry->refresh();
        if ($entry->struck_why === null) {
            $entry->update(['struck_why' => $why, 'shown_as' => null]);
            $this->record->append($book, $user, 'struck', ['id' => $entry->id, 'why' => $why]);
        }
    }

    /** A logbook from before records were kept begins one with what it has, under the names of those who wrote it. */
    private function begun(TransferSwitch $switch): Logbook
    {
        $book = Logbook::locked($switch);
        if ($book->head === RecordChain::GENESIS) {
            foreach (LogEntry::of($switch->id) as $entry) {
                $this->record->append($book, $entry->user, 'written', self::entry($entry) + ['added_later' => true]);
            }
        }

        return $book;
    }

    /** @return array<string, mixed> */
    public static function entry(LogEntry $entry): array
    {
        return [
            'id' => $entry->id, 'kind' => $entry->kind, 'at' => $entry->at->toIso8601ZuluString('millisecond'), 'fields' => $entry->fields,
            'note' => $entry->note, 'source' => $entry->source, 'struck_why' => $entry->struck_why,
        ];
    }
}
