<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Bridge\LoadTestFacts;
use App\Models\LoadReading;
use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Keeps a reading; the same one sent again is the same. */
final readonly class AddReading
{
    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        abort_if($test->isClosed(), 409, 'This test is closed; its readings stay as they are.');
        $test->load('switch.site');
        $phases = (new LoadTestFacts($test->switch->load(['loads', 'plan'])))->phases();
        $columns = (new ReadingRequest($test, $phases))->columns($request->all());
        /** @var User $user */
        $user = $request->user();
        DB::transaction(function () use ($test, $columns, $user): void {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its readings stay as they are.');
            $isTaken = LoadReading::query()->where('load_test_id', $test->id)->where('taken_at', $columns['taken_at'])
                ->whereNull('struck_why')->where('id', '!=', $columns['id'])->exists();
            if ($isTaken) {
                throw ValidationException::withMessages(['time' => 'There is a reading of this moment already; strike it out first.']);
            }
            $query = LoadReading::query();
            $query->where('id', $columns['id'])->where('load_test_id', $test->id);
            $known = $query->first();
            if ($known !== null && ! $known->taken_at->equalTo($columns['taken_at'])) {
                throw ValidationException::withMessages(['time' => 'Something else was read from this page already. Open it anew.']);
            }
            $known === null && $this->book->reading($locked, $user, $columns);
        });

        return redirect()->route('load-test', $test)->with('said', 'The reading is kept.');
    }
}
