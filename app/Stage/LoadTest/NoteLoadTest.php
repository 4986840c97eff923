<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** A note on a load test. On a closed one it is an amendment: the record goes on, what was signed stays as it was. */
final readonly class NoteLoadTest
{
    public function __construct(private TestBook $book) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        $fields = $request->validate(['text' => ['required', 'string', 'max:2000']], ['text.*' => 'A note has 1 to 2000 characters.']);
        /** @var User $user */
        $user = $request->user();
        DB::transaction(fn() => $this->book->note(LoadTest::locked($test->id), $user, $fields['text']));

        return redirect()->back(302, [], route('load-test', $test))->with('said', 'The note is in the record.');
    }
}
