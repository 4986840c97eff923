<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * A link that works once: to begin, to join a company, or to choose another password. Who has the database does not have the links: only
 * their hash is kept.
 *
 * @property int      $id
 * @property ?int     $company_id null: the link makes the company
 * @property ?int     $user_id    who chooses another password; null: somebody new
 * @property ?int     $made_by
 * @property ?string  $name
 * @property ?string  $email
 * @property Role     $role
 * @property string   $token_hash
 * @property Carbon   $expires_at
 * @property ?Carbon  $used_at
 * @property ?Company $company
 * @property ?User    $user
 */
final class Invitation extends Model
{
    public const UPDATED_AT = null;
    private const TOKEN_LETTERS = 40;
    private const HOURS = 72;

    protected $guarded = [];

    /**
     * @param array<string, mixed> $columns
     *
     * @return string the token, which is shown once and never again
     */
    public static function make(array $columns): string
    {
        $token = Str::random(self::TOKEN_LETTERS);
        self::query()->create($columns + [
            'token_hash' => self::hash($token), 'expires_at' => Carbon::now()->addHours(self::HOURS),
        ]);

        return $token;
    }

    /** The link while it works: not used, not over, and to begin only while nobody has begun. */
    public static function open(string $token): ?self
    {
        $query = self::query()->with(['company', 'user']);
        $found = $query->firstWhere('token_hash', self::hash($token));
        $isOpen = $found !== null && $found->used_at === null && $found->expires_at->isFuture()
            && ! ($found->company_id === null && User::query()->exists());

        return $isOpen ? $found : null;
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }

    public function isToBegin(): bool
    {
        return $this->company_id === null;
    }

    public function isForPassword(): bool
    {
        return $this->user_id !== null;
    }

    /** @return BelongsTo<Company, $this> */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['role' => Role::class, 'expires_at' => 'datetime', 'used_at' => 'datetime'];
    }
}
