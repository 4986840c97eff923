<?php

declare(strict_types=1);

namespace App\Http;

/** What every new password has to be. */
final readonly class NewPassword
{
    /** What bcrypt reads; of a longer one the rest would be ignored. */
    private const MOST_BYTES = 72;

    /** @return list<mixed> rules */
    public static function rules(): array
    {
        return ['required', 'string', 'min:12', 'max:200', 'confirmed', self::isHashedWhole(...)];
    }

    /** @return array<string, string> */
    public static function messages(): array
    {
        return [
            'password.required' => 'A password is needed.',
            'password.min' => 'A password needs 12 characters at least; a sentence is easiest to keep.',
            'password.confirmed' => 'The two new passwords are not the same.',
        ];
    }

    /** What bcrypt would not read of a password may not be taken for a part of it. */
    private static function isHashedWhole(string $field, mixed $value, \Closure $fail): void
    {
        if (is_string($value) && strlen($value) > self::MOST_BYTES) {
            $fail('Up to 72 letters; a letter with an accent counts twice.');
        }
    }
}
