<?php

declare(strict_types=1);

namespace App\Stage;

use App\Models\User;

/**
 * Who made a mark, an answer or a picture on a phone. Phones change hands: what one person made there is never recorded under
 * the next who signs in. It stays on the phone until its maker is signed in again.
 */
final readonly class Maker
{
    /** @return null|array{string, string} field and what is wrong; an item that names no maker is the sender's own */
    public static function fault(mixed $maker, User $sender): ?array
    {
        if ($maker === null || is_numeric($maker) && (int) $maker === $sender->id) {
            return null;
        }
        $name = is_numeric($maker) ? User::query()->where('company_id', $sender->company_id)->find((int) $maker)?->name : null;

        return ['maker', 'Made here by ' . ($name ?? 'somebody else') . ': it stays here, and is sent when that person signs in.'];
    }
}
