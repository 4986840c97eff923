<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Takes readings from a device. The id is made there, so that sending twice is once. Two people who read the same minute are both kept;
 * the first counts, the other is struck out and says whose does.
 */
final readonly class KeepReadings
{
    private const SAME_S = 30;
    private const AHEAD_MIN = 5;

    /**
     * @param list<mixed> $readings in the order in which they were taken
     *
     * @return array{kept: list<string>, refused: list<array{id: ?string, message: string}>}
     */
    public function keep(LoadTest $test, User $user, array $readings): array
    {
        return DB::transaction(function () use ($test, $user, $readings): array {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its readings stay as they are.');
            $locked->load(['switch.site', 'switch.loads', 'switch.plan', 'readings.user']);
            $request = new ReadingRequest($locked, (new LoadTestFacts($locked->switch))->phases());
            $kept = $refused = [];
            foreach ($readings as $reading) {
                $id = is_array($reading) && is_string($reading['id'] ?? null) ? $reading['id'] : null;
                try {
                    $columns = $request->columns(is_array($reading) ? $reading : []);
                    $this->store($locked, $user, $columns);
                    $kept[] = (string) $id;
                } catch (ValidationException $fault) {
                    $refused[] = ['id' => $id, 'message' => $fault->getMessage()];
                }
            }

            return ['kept' => $kept, 'refused' => $refused];
        });
    }

    /** @param array<string, mixed> $columns */
    private function store(LoadTest $test, User $user, array $columns): void
    {
        $at = $columns['taken_at'];
        if (! $at instanceof Carbon || $at->isAfter(Carbon::now()->addMinutes(self::AHEAD_MIN))) {
            throw ValidationException::withMessages(['taken_at' => 'The clock of this device is ahead. Set it, then send again.']);
        }
        $taken = LoadReading::query()->whereKey($columns['id'])->first();
        if ($taken !== null) {
            if ($taken->load_test_id !== $test->id) {
                throw ValidationException::withMessages(['id' => 'This reading belongs to another test.']);
            }

            return;
        }
        $other = $this->sameMoment($test, $at);
        $reading = LoadReading::query()->create($columns + [
            'company_id' => $test->company_id, 'load_test_id' => $test->id, 'user_id' => $user->id,
            'struck_why' => $other === null ? null : "Read twice: that of {$other->user->name} counts.",
        ]);
        $test->readings->push($reading->setRelation('user', $user));
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
