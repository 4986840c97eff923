<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Ends one sign-in of one's own elsewhere: a phone that was left behind. */
final readonly class EndSession
{
    public function __invoke(Request $request, string $session): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $open = array_filter(
            DB::table('sessions')->where('user_id', $user->id)->pluck('id')->all(),
            static fn(mixed $id): bool => is_string($id) && hash_equals(OpenSession::keyOf($id), $session)
                && $id !== $request->session()->getId(),
        );
        abort_if($open === [], 404);
        DB::table('sessions')->whereIn('id', $open)->delete();

        return redirect()->route('account')->with('said', 'That sign-in is ended.');
    }
}
