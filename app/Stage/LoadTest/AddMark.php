<?php

declare(strict_types=1);

namespace App\Stage\LoadTest;

use App\Models\LoadTest;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Keeps a mark that is typed at a desk; the same one sent again is the same. */
final readonly class AddMark
{
    public function __construct(private KeepReadings $keeper) {}

    public function __invoke(Request $request, LoadTest $test): RedirectResponse
    {
        $test->load('switch.site');
        $typed = $request->only(['id', 'kind', 'time', 'level_pct', 'note']);
        (new MarkRequest($test))->columns($typed); // a fault stands at its field
        /** @var User $user */
        $user = $request->user();
        $answer = $this->keeper->keep($test, $user, [], [$typed]);
        if ($answer['refused'] !== []) {
            throw ValidationException::withMessages(['kind' => $answer['refused'][0]['message']]);
        }

        return redirect()->route('load-test', $test)->with('said', 'The mark is kept.');
    }
}
