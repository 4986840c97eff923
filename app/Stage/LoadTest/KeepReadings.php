<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadMark;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\User;
use App\Stage\Maker;
use App\Stage\Once;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Takes readings and marks from a device. The id is made there, so that sending twice is once. Two people who read the same minute are
 * both kept; the first counts, the other is struck out and says whose does.
 */
final readonly class KeepReadings
{
    private const SAME_S = 30;
    private const AHEAD_MIN = 5;

    public function __construct(private TestBook $book) {}

    /**
     * @param list<mixed> $readings in the order in which they were taken
     * @param list<mixed> $marks    likewise
     *
     * @return array{kept: list<string>, refused: list<array{id: ?string, message: string}>}
     */
    public function keep(LoadTest $test, User $user, array $readings, array $marks = []): array
    {
        /** @var array{kept: list<string>, refused: list<array{id: ?string, message: string}>} $answer */
        $answer = Once::more(fn(): array => DB::transaction(function () use ($test, $user, $readings, $marks): array {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its readings stay as they are.');
            $locked->load(['switch.site', 'switch.loads', 'switch.plan', 'readings.user']);
            $request = new ReadingRequest($locked, (new LoadTestFacts($locked->switch))->phases());
            $kept = $refused = [];
            $take = function (mixed $one, \Closure $store) use (&$kept, &$refused, $user): void {
                $typed = is_array($one) ? $one : [];
                $id = is_string($typed['id'] ?? null) ? $typed['id'] : null;
                $stranger = Maker::fault($typed['maker'] ?? null, $user);
                try {
                    if ($stranger !== null) {
                        throw ValidationException::withMessages([$stranger[0] => $stranger[1]]);
                    }
                    $store($typed);
                    $kept[] = (string) $id;
                } catch (ValidationException $fault) {
                    $refused[] = ['id' => $id, 'message' => $fault->getMessage()];
                }
            };
            foreach ($readings as $one) {
                $take($one, fn(array $typed) => $this->store($locked, $user, $request->columns($typed)));
            }
            foreach ($marks as $one) {
                $take($one, fn(array $typed) => $this->storeMark($locked, $user, (new MarkRequest($locked))->columns($typed)));
            }

            return ['kept' => $kept, 'refused' => $refused];
        }));

        return $answer;
    }

    /** @param array<string, mixed> $columns */
    private function store(LoadTest $test, User $user, array $columns): void
    {
        $at = self::past($columns['taken_at']);
        $taken = LoadReading::query()->withoutGlobalScope('company')->whereKey($columns['id'])->first();
        if ($taken !== null) {
            $this->isOurs($taken, $test);

            return;
        }
        $other = $this->sameMoment($test, $at);
        $why = $other === null ? null : "Read twice: that of {$other->user->name} counts.";
        $test->readings->push($this->book
            ->reading($test, $user, $columns, struckWhy: $why, deviceTime: $at->toIso8601ZuluString('millisecond')));
    }

    /** @param array<string, mixed> $columns */
    private function storeMark(LoadTest $test, User $user, array $columns): void
    {
        $at = self::past($columns['at']);
        $made = LoadMark::query()->withoutGlobalScope('company')->whereKey($columns['id'])->first();
        if ($made !== null) {
            $this->isOurs($made, $test);

            return;
        }
        $this->book->mark($test, $user, $columns, $at->toIso8601ZuluString('millisecond'));
    }

    /** @throws ValidationException */
    private function isOurs(LoadMark|LoadReading $known, LoadTest $test): void
    {
        if ($known->load_test_id !== $test->id) {
            throw ValidationException::withMessages(['id' => 'This belongs to another test.']);
        }
    }

    /** @throws ValidationException */
    private static function past(mixed $at): Carbon
    {
        if (! $at instanceof Carbon || $at->isAfter(Carbon::now()->addMinutes(self::AHEAD_MIN))) {
            throw ValidationException::withMessages(['taken_at' => 'The clock of this device is ahead. Set it, then send again.']);
        }

        return $at;
    }

    private function sameMoment(LoadTest $test, Carbon $at): ?LoadReading
    {
        foreach ($test->readings as $one) {
            if ($one->struck_why === null && abs($one->taken_at->diffInSeconds($at)) < self::SAME_S) {
                return $one;
            }
        }

        return null;
    }
}
