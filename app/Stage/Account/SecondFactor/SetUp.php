<?php

declare(strict_types=1);

namespace App\Stage\Account\SecondFactor;

use App\Models\User;
use App\Stage\QrPicture;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Shows a new secret to the authenticator; it counts only once a code of it was typed. */
final readonly class SetUp
{
    public const KEY = 'new_second_factor';

    public function __invoke(Request $request): View|RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        if ($user->totp_secret !== null) {
            return redirect()->route('account');
        }
        $kept = $request->session()->get(self::KEY);
        $secret = is_string($kept) ? (string) base64_decode($kept, true) : Totp::fresh();
        $request->session()->put(self::KEY, base64_encode($secret)); // the same one after a slip
        $totp = new Totp($secret);

        return view('account.second-factor', [
            'picture' => base64_encode(QrPicture::of($totp->address($user->email))), 'secret' => $totp->base32(),
            'address' => $totp->address($user->email),
        ]);
    }
}
