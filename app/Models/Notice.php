<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A notice: one person gets it once.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $user_id
 * @property ?int    $switch_id
 * @property string  $kind
 * @property string  $about   hash of what it is about
 * @property string  $claim
 * @property string  $detail
 * @property ?Carbon $sent_at
 * @property int     $tries
 * @property ?string $failure
 * @property Carbon  $created_at
 * @property User    $user
 */
final class Notice extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /** Where it stands: sent, shown only, or waiting; and what went wrong. */
    public function state(bool $isMailed): string
    {
        $sent = $this->sent_at === null ? 'waits' : ($isMailed ? 'sent ' : 'shown ') . $this->sent_at->format('j M Y, H:i');

        return $sent . ($this->failure === null ? '' : ", tried $this->tries times: $this->failure");
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['sent_at' => 'datetime'];
    }
}
