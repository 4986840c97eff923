<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A row that a device made and one person answers for: the device gives its id (a UUID), so that sending it again keeps it once.
 *
 * @property string $id
 * @property int    $user_id
 * @property User   $user    who made it
 */
trait MadeOnDevice
{
    public function getIncrementing(): bool
    {
        return false;
    }

    public function getKeyType(): string
    {
        return 'string';
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
