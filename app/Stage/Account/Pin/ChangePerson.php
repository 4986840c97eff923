<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Http\Typed;
use App\Models\DevicePin;
use App\Models\User;
use App\Stage\Account\Tries;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/**
 * Hands the phone to the next person by their PIN, for marks and answers. Such a session signs nothing and changes no account
 * (`FullSignIn`). A PIN that was wrong five times in a row is forgotten: from there on the password opens.
 */
final readonly class ChangePerson
{
    private const MOST_WRONG = 5;
    private const OTHERWISE = 'Sign out, and in with the password.';

    public function __invoke(Request $request): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $person = (int) Typed::text($request, 'person', 9);
        $pin = Device::of($request)->pins($user->company_id)->firstWhere('user_id', $person);
        if ($pin === null) {
            throw ValidationException::withMessages(['person' => 'This person has no PIN on this device. ' . self::OTHERWISE]);
        }
        $tries = new Tries('pin', (string) $person, $request->ip());
        $tries->orWait();
        $left = DB::transaction(static fn(): ?int => self::tried($pin->id, Typed::text($request, 'pin', 20)));
        if ($left !== null) {
            $tries->failed();
            throw ValidationException::withMessages($left > 0
                ? ['pin' => "Not the PIN of {$pin->user->name}. After $left more it is forgotten here."]
                : ['person' => "The PIN of {$pin->user->name} is forgotten here: it was wrong too often. " . self::OTHERWISE]);
        }
        $tries->succeeded();
        $request->session()->invalidate(); // nothing that was typed, shown or intended goes to the next person
        Auth::login($pin->user);
        FullSignIn::byPin($request);

        return redirect()->to(Back::of($request))->with('said', "{$pin->user->name} has this phone now.");
    }

    /** @return ?int tries that are left; null: it was right */
    private static function tried(int $id, string $typed): ?int
    {
        $query = DevicePin::query()->withoutGlobalScope('company');
        $query->lockForUpdate();
        $pin = $query->whereKey($id)->first();
        if ($pin === null) {
            return 0;
        }
        if (Hash::check($typed, $pin->pin)) {
            $pin->update(['wrong' => 0, 'used_at' => Carbon::now()]);

            return null;
        }
        $left = self::MOST_WRONG - $pin->wrong - 1;
        $left > 0 ? $pin->update(['wrong' => $pin->wrong + 1]) : $pin->delete();

        return $left;
    }
}
