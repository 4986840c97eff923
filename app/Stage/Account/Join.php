<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Http\NewPassword;
use App\Models\Company;
use App\Models\Invitation;
use App\Models\User;
use App\Stage\Account\SecondFactor\Pending;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** Uses a one-time link. Two who use it at once: the second finds it used. */
final readonly class Join
{
    public function __invoke(Request $request, string $token): RedirectResponse
    {
        $invitation = Invitation::open($token) ?? abort(404);
        $isNew = ! $invitation->isForPassword();
        $asksForAddress = $isNew && $invitation->email === null;
        $fields = $request->validate(
            ($invitation->isToBegin() ? ['company' => ['required', 'string', 'max:120']] : [])
                + ($isNew ? ['name' => ['required', 'string', 'max:120']] : [])
                + ($asksForAddress ? ['email' => ['required', 'email', 'max:190', 'unique:users,email']] : [])
                + ['password' => NewPassword::rules()],
            [
                'company.required' => 'The name of the company stands at the head of every report.',
                'name.required' => 'Reports carry this name: it is needed.',
                'email.required' => 'The address to sign in with is needed.', 'email.email' => 'This is no address.',
                'email.unique' => 'Somebody signs in with this address already.',
            ] + NewPassword::messages(),
        );
        $user = DB::transaction(static function () use ($invitation, $fields): User {
            $used = Invitation::query()->whereKey($invitation->id)->whereNull('used_at')->update(['used_at' => Carbon::now()]);
            abort_if($used === 0, 404);
            if ($invitation->user !== null) {
                $invitation->user->update(['password' => $fields['password']]);
                $invitation->user->endSessions();

                return $invitation->user;
            }
            $company = $invitation->company_id ?? Company::query()->create(['name' => $fields['company'] ?? ''])->id;

            return User::query()->create([
                'company_id' => $company, 'name' => $fields['name'] ?? '', 'email' => $invitation->email ?? $fields['email'] ?? '',
                'role' => $invitation->role, 'password' => $fields['password'],
            ]);
        });
        if ($invitation->user !== null) {
            AccountChanged::tell($user, 'Another password was chosen for you, by a link.', $request);
        }
        if ($user->totp_secret !== null) {
            Pending::begin($request, $user->refresh()); // another password is no other phone

            return redirect()->route('second-factor');
        }
        Auth::login($user);
        $request->session()->regenerate();

        return redirect()->route('board');
    }
}
