<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

use App\Http\Typed;
use App\Models\User;
use App\Stage\Account\Interrupted;
use App\Stage\Account\Tries;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** The code of the authenticator, or one of the recovery codes, opens. */
final readonly class TakeCode
{
    public function __invoke(Request $request): RedirectResponse
    {
        $user = Pending::user($request);
        if ($user === null) {
            return redirect()->route('login')->with('said', 'That took too long. Sign in again.');
        }
        $tries = new Tries('second-factor', (string) $user->id, $request->ip());
        $tries->orWait();
        $typed = (string) preg_replace('/\s+/', '', Typed::text($request, 'code', 40));
        $left = DB::transaction(static fn(): ?int => self::used(User::locked($user->id), $typed));
        if ($left === null) {
            $tries->failed();
            throw ValidationException::withMessages([
                'code' => 'This code is not the one of now, or it was used before. Wait for the next, or take a recovery code.',
            ]);
        }
        $tries->succeeded();
        Pending::end($request);
        Auth::login($user);
        $request->session()->regenerate();
        $goesTo = Interrupted::resumed($request) ?? redirect()->intended('/');

        return $left < 0 ? $goesTo : $goesTo->with('said', "A recovery code is used up: $left are left. Set the second factor up anew "
            . 'under Your account if the phone is lost.');
    }

    /** @return ?int recovery codes that are left, less than none where the authenticator's own code was typed; null: neither */
    public static function used(User $user, string $typed): ?int
    {
        $step = (new Totp((string) $user->totp_secret))->stepOf($typed, Carbon::now()->getTimestamp(), $user->totp_step);
        if ($step !== null) {
            $user->update(['totp_step' => $step]);

            return -1;
        }
        $left = RecoveryCodes::without($typed, $user->recovery_codes ?? []);
        if ($left !== null) {
            $user->update(['recovery_codes' => $left]);
        }

        return $left === null ? null : count($left);
    }
}
