<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A way for an owner to one signed run, without an account: it ends by itself, and can be ended. Who has the database
 * does not have the links: only their hash is kept.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $run_id
 * @property int     $user_id
 * @property string  $token_hash
 * @property Carbon  $expires_at
 * @property ?Carbon $revoked_at
 * @property User    $user
 * @property Run     $run
 * @property Carbon  $created_at
 */
final class HandoverLink extends Model
{
    use BelongsToCompany;

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    public function isOpen(): bool
    {
        return $this->revoked_at === null && $this->expires_at->isFuture();
    }

    protected function casts(): array
    {
        return ['expires_at' => 'datetime', 'revoked_at' => 'datetime', 'created_at' => 'datetime'];
    }
}
