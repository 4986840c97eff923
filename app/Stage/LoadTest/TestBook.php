<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\Photo;
use App\Models\Recording;
use App\Models\User;
use App\Stage\KeptPhoto;
use App\Stage\Picture;
use App\Stage\Record;
use Escapement\Core\LoadTest\ReadingSource;
use Escapement\Core\Record\RecordChain;
use Escapement\Core\Survey\Subject;
use Illuminate\Support\Carbon;

/**
 * Writes what happens in a load test, in its tables and in its chained record. To be called inside a transaction, with the test locked.
 */
final readonly class TestBook
{
    public function __construct(private Record $record) {}

    public function plan(LoadTest $test, User $user): void
    {
        $this->record->append($test, $user, 'test_planned', [
            'test' => $test->id, 'profile' => $test->profile->value, 'plan' => $test->plan,
            'planned_for' => self::moment($test->planned_for),
        ]);
    }

    /**
     * @param array<string, mixed> $columns   of a reading
     * @param ?string              $struckWhy why it does not count from the beginning
     */
    public function reading(
        LoadTest $test,
        User $user,
        array $columns,
        ReadingSource $source = ReadingSource::Manual,
        ?string $struckWhy = null,
        ?string $deviceTime = null,
    ): LoadReading {
        $this->begin($test, $user);
        $reading = LoadReading::query()->create($columns + [
            'company_id' => $test->company_id, 'load_test_id' => $test->id, 'user_id' => $user->id, 'source' => $source,
            'struck_why' => $struckWhy,
        ]);
        $reading->setRelation('user', $user);
        $this->record->append($test, $user, 'reading', self::readingEntry($reading), $deviceTime);

        return $reading;
    }

    /**
     * Many at once, as a table brings them: one pass over the record.
     *
     * @param list<array<string, mixed>> $rows columns of readings
     */
    public function readings(LoadTest $test, User $user, array $rows, ReadingSource $source): void
    {
        $this->begin($test, $user);
        $happened = [];
        foreach ($rows as $columns) {
            $reading = LoadReading::query()->create($columns + [
                'company_id' => $test->company_id, 'load_test_id' => $test->id, 'user_id' => $user->id, 'source' => $source,
            ]);
            $happened[] = ['kind' => 'reading', 'what' => self::readingEntry($reading), 'device_time' => null];
        }
        $this->record->appendAll($test, $user, $happened);
    }

    /** @param array<string, mixed> $columns id, kind, at, level_pct, note */
    public function mark(LoadTest $test, User $user, array $columns, ?string $deviceTime = null): LoadMark
    {
        $this->begin($test, $user);
        $mark = LoadMark::query()->create($columns + [
            'company_id' => $test->company_id, 'load_test_id' => $test->id, 'user_id' => $user->id,
        ]);
        $this->record->append($test, $user, 'test_mark', self::markEntry($mark), $deviceTime);

        return $mark;
    }

    public function strike(LoadTest $test, User $user, LoadMark|LoadReading $one, string $why): void
    {
        $this->begin($test, $user);
        $one->update(['struck_why' => $why]);
        $this->record->append($test, $user, 'struck', ['id' => $one->id, 'why' => $why]);
    }

    public function photo(LoadTest $test, User $user, string $id, string $readingId, Picture $picture, ?string $deviceTime): Photo
    {
        $this->begin($test, $user);
        $photo = KeptPhoto::of($picture, $test->switch, $user, [
            'id' => $id, 'load_test_id' => $test->id, 'reading_id' => $readingId, 'subject' => Subject::Photos->value, 'moment' => 'during',
            'caption' => 'Load test, with a reading',
        ]);
        $this->record->append($test, $user, 'photo', [
            'id' => $id, 'reading' => $readingId, 'sha256' => $photo->sha256, 'kept_sha256' => hash('sha256', $picture->full),
            'after_signing' => $test->isClosed(),
        ], $deviceTime);

        return $photo;
    }

    public function recording(LoadTest $test, User $user, Recording $recording): void
    {
        $this->begin($test, $user);
        $this->record->append($test, $user, 'recording', [
            'id' => $recording->id, 'source' => $recording->source, 'sha256' => hash('sha256', $recording->series),
            'steps_seen' => $recording->steps['steps_seen'] ?? [],
        ]);
    }

    /** @param array<string, mixed> $evaluation what the verdict was judged from, by the schema of load_test_evaluate */
    public function sign(LoadTest $test, User $user, string $name, ?string $drawing, string $verdict, array $evaluation): void
    {
        $this->begin($test, $user);
        $this->record->append($test, $user, 'signed', [
            'name' => $name, 'account' => $user->email, 'drawing' => $drawing, 'verdict' => $verdict, 'evaluation' => $evaluation,
        ]);
    }

    public function note(LoadTest $test, User $user, string $text): void
    {
        $this->begin($test, $user);
        $this->record->append($test, $user, $test->isClosed() ? 'amendment' : 'note', ['text' => $text]);
    }

    /** A test from before records were kept begins one with what it has. */
    private function begin(LoadTest $test, User $user): void
    {
        if ($test->head !== RecordChain::GENESIS) {
            return;
        }
        $this->plan($test, $user);
        foreach ($test->readings()->with('user')->get() as $reading) {
            $this->record->append($test, $reading->user, 'reading', self::readingEntry($reading) + ['added_later' => true]);
        }
    }

    /** @return array<string, mixed> */
    public static function readingEntry(LoadReading $reading): array
    {
        return ['id' => $reading->id, 'taken_at' => self::moment($reading->taken_at)] + $reading->figures() + [
            'note' => $reading->note, 'source' => $reading->source->value, 'struck_why' => $reading->struck_why,
        ];
    }

    /** @return array<string, mixed> */
    public static function markEntry(LoadMark $mark): array
    {
        return [
            'id' => $mark->id, 'kind' => $mark->kind->value, 'at' => self::moment($mark->at), 'level_pct' => $mark->level_pct,
            'note' => $mark->note, 'struck_why' => $mark->struck_why,
        ];
    }

    private static function moment(?Carbon $at): ?string
    {
        return $at?->toIso8601ZuluString('millisecond');
    }
}
