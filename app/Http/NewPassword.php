<?php

declare(strict_types=1);

namespace App\Http;

/** What every new password has to be. */
final readonly class NewPassword
{
    /** What bcrypt reads; of a longer one the rest would be ignored. */
    private const MOST_BYTES = 72;
    private const COMMON = ['password', 'passwort', 'escapement', 'qwertyuiop', 'qwerty', 'asdfgh', 'letmein', 'welcome', 'admin',
        'iloveyou', 'abcdefgh', 'generator', 'changeme', 'secret',
    ];

    /** @return list<mixed> rules */
    public static function rules(): array
    {
        return ['required', 'string', 'min:12', 'max:200', 'confirmed', self::isHashedWhole(...), self::isNotGuessed(...)];
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

    /** What is tried first: a common word again and again, a row of the keyboard, a handful of letters. */
    private static function isNotGuessed(string $field, mixed $value, \Closure $fail): void
    {
        $plain = is_string($value) ? (string) preg_replace('/[^a-z0-9]+/', '', mb_strtolower($value)) : '';
        $bare = (string) preg_replace('/' . implode('|', self::COMMON) . '|[0-9]/', '', $plain);
        $isOneWord = is_string($value) && strlen($plain) === strlen($value);
        if (is_string($value) && (count(array_unique(mb_str_split($value))) < 5 || ($isOneWord && strlen($bare) < 4))) {
            $fail('This one is tried first by everybody who guesses: take a sentence of your own.');
        }
    }

    /** What bcrypt would not read of a password may not be taken for a part of it. */
    private static function isHashedWhole(string $field, mixed $value, \Closure $fail): void
    {
        if (is_string($value) && strlen($value) > self::MOST_BYTES) {
            $fail('Up to 72 letters; a letter with an accent counts twice.');
        }
    }
}
