<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Models\DevicePin;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** A PIN for this device. It is set with the password, so a PIN is never easier to get than that. */
final readonly class SetPin
{
    private const DIGITS = '/^[0-9]{4,8}$/';

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            [
                'pin' => ['required', 'string', 'regex:' . self::DIGITS],
                'pin_password' => ['bail', 'required', 'string', 'current_password'],
            ],
            ['pin.*' => 'Four to eight digits.', 'pin_password.*' => 'This is not the password you have now.'],
        );
        if (self::isGuessed($fields['pin'])) {
            throw ValidationException::withMessages(['pin' => 'Everybody tries this one first: take another.']);
        }
        /** @var User $user */
        $user = $request->user();
        DevicePin::query()->updateOrCreate(
            ['device_hash' => Device::of($request)->known(), 'user_id' => $user->id, 'company_id' => $user->company_id],
            ['pin' => $fields['pin'], 'wrong' => 0],
        );

        return redirect()->route('account')->with('said', 'The PIN is set, on this device only. "Change person" in the menu asks for it.');
    }

    /** One digit again and again, or all in a row. */
    private static function isGuessed(string $pin): bool
    {
        return count(array_unique(str_split($pin))) === 1 || str_contains('01234567890', $pin) || str_contains('09876543210', $pin);
    }
}
