<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Crypt;

/**
 * Bytes of a second factor, encrypted with the key of the application: a copy of the database alone opens nothing.
 *
 * @implements CastsAttributes<string, string>
 */
final readonly class TotpSecret implements CastsAttributes
{
    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return is_string($value) ? (string) base64_decode(Crypt::decryptString($value), true) : null;
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return is_string($value) ? Crypt::encryptString(base64_encode($value)) : null;
    }
}
