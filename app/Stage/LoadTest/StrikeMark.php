<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadMark;
use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Strikes a mark out, with the reason; it stays in sight. */
final readonly class StrikeMark
{
    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test, LoadMark $mark): RedirectResponse
    {
        abort_if($mark->load_test_id !== $test->id, 404);
        $fields = $request->validate(['why' => ['required', 'string', 'max:300']], ['why.*' => 'Say why it does not count.']);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(function () use ($test, $mark, $user, $fields): void {
            $locked = LoadTest::locked($test->id);
            abort_if($locked->isClosed(), 409, 'This test is closed; its marks stay as they are.');
            $this->book->strike($locked, $user, $mark->refresh(), $fields['why']);
        });

        return redirect()->route('load-test', $test)->with('said', 'The mark is struck out.');
    }
}
