<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

use App\Http\Typed;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;

/** From here on the code is asked for at every sign-in; where somebody else is signed in as this person, that ends. */
final readonly class TurnOn
{
    public function __invoke(Request $request): RedirectResponse
    {
        $request->validate(
            ['current_password' => ['bail', 'required', 'string', 'current_password']],
            ['current_password.*' => 'This is not the password you have now.'],
        );
        $kept = $request->session()->get(SetUp::KEY);
        $secret = is_string($kept) ? (string) base64_decode($kept, true) : '';
        $typed = (string) preg_replace('/\s+/', '', Typed::text($request, 'code', 12));
        $step = $secret === '' ? null : (new Totp($secret))->stepOf($typed, Carbon::now()->getTimestamp(), null);
        if ($step === null) {
            throw ValidationException::withMessages(['code' => 'This is not the code of now. Is the clock of the phone right?']);
        }
        $codes = RecoveryCodes::fresh();
        /** @var User $user */
        $user = $request->user();
        $user->update(['totp_secret' => $secret, 'totp_step' => $step, 'recovery_codes' => $codes->hashes()]);
        $request->session()->forget(SetUp::KEY);
        $user->endSessions($request->session()->getId());

        return redirect()->route('account')->with('codes', $codes->codes)->with('said', 'The second factor is on.');
    }
}
