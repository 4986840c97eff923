<?php

declare(strict_types=1);

namespace App\Stage\Handover;

use App\Models\HandoverLink;
use App\Models\Run;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** A link for the owner. It is shown once; a lost one is replaced. */
final readonly class MakeLink
{
    private const TOKEN_LENGTH = 40;

    public function __invoke(Request $request, Run $run): RedirectResponse
    {
        $fields = $request->validate(['days' => ['required', 'integer', 'between:1,400']], ['days.*' => 'Whole days, 1 to 400.']);
        abort_unless($run->isSigned(), 409, 'A run is handed over when it is signed.');
        /** @var User $user */
        $user = $request->user();
        $token = Str::random(self::TOKEN_LENGTH);
        HandoverLink::query()->create([
            'company_id' => $run->company_id,
            'run_id' => $run->id,
            'user_id' => $user->id,
            'token_hash' => HandoverLink::hash($token),
            'expires_at' => Carbon::now()->addDays((int) $fields['days']),
        ]);

        return redirect()->route('report', $run)->withFragment('link')->with('link', route('owner', $token));
    }
}
