<?php

declare(strict_types=1);

namespace App\Stage\Account;

use App\Models\User;
use App\Stage\Api\Scope;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** A token for a program, shown once. It asks for the password: an open page on a desk is not enough to leave a door open for a year. */
final readonly class MakeToken
{
    public const DAYS = [30, 90, 365];
    public const MOST = 20;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            [
                'token_name' => ['required', 'string', 'max:80'],
                'scopes' => ['required', 'array'], 'scopes.*' => [Rule::enum(Scope::class)],
                'token_days' => ['required', Rule::in(self::DAYS)],
                'token_password' => ['bail', 'required', 'string', 'current_password'],
            ],
            [
                'token_name.required' => 'Name the program, so that it is known which one to end.',
                'scopes.required' => 'Say what it may do.', 'scopes.*' => 'Choose from the list.',
                'token_days.*' => 'Choose how long it lives.', 'token_password.*' => 'This is not your password.',
            ],
        );
        /** @var User $user */
        $user = $request->user();
        if ($user->tokens()->count() >= self::MOST) {
            return redirect()->route('account')->withErrors(['token_name' => 'You have ' . self::MOST . ' of them: end one first.'])
                ->withInput($request->except('token_password'));
        }
        $token = $user->createToken($fields['token_name'], array_values(array_unique($fields['scopes'])), now()->addDays(
            (int) $fields['token_days'],
        ));

        return redirect()->route('account')->with('token', $token->plainTextToken);
    }
}
