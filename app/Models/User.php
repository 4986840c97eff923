<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * @property int     $id
 * @property int     $company_id
 * @property string  $name
 * @property string  $email
 * @property string  $password
 * @property Role    $role
 * @property ?Carbon $left_at
 * @property string  $notify   never, daily, at_once: how notices are mailed
 * @property ?list<array{name: string, query: array<string, string>}> $board_views
 * @property ?string $totp_secret    bytes of the second factor; null: none
 * @property ?int    $totp_step      of half a minute that was used last
 * @property ?list<string> $recovery_codes hashes of those that are left
 * @property Company $company
 */
final class User extends Authenticatable
{
    protected $guarded = [];
    protected $hidden = ['password', 'remember_token', 'totp_secret', 'recovery_codes'];

    /**
     * Ends what is open elsewhere: after another password or another role nothing of before may go on.
     *
     * @param ?string $but the session at hand, which goes on
     */
    public function endSessions(?string $but = null): void
    {
        DB::table((string) config('session.table'))->where('user_id', $this->id)->when(
            $but !== null,
            static fn($query) => $query->where('id', '!=', $but),
        )->delete();
    }

    public function withoutSecondFactor(): void
    {
        $this->update(['totp_secret' => null, 'totp_step' => null, 'recovery_codes' => null]);
    }

    /** @return BelongsTo<Company, $this> */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /** The person with their row locked. */
    public static function locked(int $id): self
    {
        $query = self::query();
        $query->lockForUpdate();

        return $query->findOrFail($id);
    }

    /** @return list<array{name: string, query: array<string, string>}> what of the board they look at again */
    public function boardViews(): array
    {
        return $this->board_views ?? [];
    }

    /** "R.V." for a list, "RV" for a button. */
    public function initials(string $dot = '.'): string
    {
        return self::initialsOf($this->name, $dot);
    }

    /** Of a name as somebody had it once. */
    public static function initialsOf(string $name, string $dot = '.'): string
    {
        $words = preg_split('/\\s+/u', trim($name), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return mb_strtoupper(implode('', array_map(static fn(string $word): string => mb_substr($word, 0, 1) . $dot, $words)));
    }

    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class, 'left_at' => 'datetime', 'board_views' => 'array',
            'totp_secret' => TotpSecret::class, 'recovery_codes' => 'array',
        ];
    }
}
