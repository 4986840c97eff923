<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Laravel\Sanctum\HasApiTokens;
use Laravel\Sanctum\PersonalAccessToken;

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
 * @property ?Carbon $guest_until    last day of a guest
 * @property Company $company
 */
final class User extends Authenticatable
{
    /** @use HasApiTokens<PersonalAccessToken> */
    use HasApiTokens;

    /** @var ?list<int> read once a request */
    private ?array $guestSites = null;

    protected $guarded = [];
    protected $hidden = ['password', 'remember_token', 'totp_secret', 'recovery_codes'];

    /**
     * Ends what is open elsewhere, programs with a token and PINs too: after another password or another role nothing of before may go on.
     *
     * @param ?string $but the session at hand, which goes on
     */
    public function endSessions(?string $but = null): void
    {
        DB::table((string) config('session.table'))->where('user_id', $this->id)->when(
            $but !== null,
            static fn($query) => $query->where('id', '!=', $but),
        )->delete();
        $this->tokens()->delete();
        DevicePin::query()->withoutGlobalScope('company')->where('user_id', $this->id)->delete();
    }

    /** False for somebody who has left the company, and for a guest whose last day is over. */
    public function isHere(): bool
    {
        return $this->left_at === null && ! ($this->role === Role::Guest && $this->isOver());
    }

    public function withoutSecondFactor(): void
    {
        $this->update(['totp_secret' => null, 'totp_step' => null, 'recovery_codes' => null]);
    }

    /** @return list<int> sites that were named for a guest; none once the last day is over */
    public function guestSites(): array
    {
        if ($this->guest_until === null || $this->isOver()) {
            return [];
        }

        return $this->guestSites ??= array_values(array_map(
            static fn(mixed $id): int => is_numeric($id) ? (int) $id : 0,
            DB::table('guest_sites')->where('user_id', $this->id)->pluck('site_id')->all(),
        ));
    }

    /** @return BelongsTo<Company, $this> */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /** Somebody who sees all of a company, for what is done in nobody's name; a guest sees only what was named. Null: nobody is left. */
    public static function readerOf(int $company): ?self
    {
        $query = self::query();
        $query->where('company_id', $company)->where('role', '!=', Role::Guest)->orderByRaw('left_at IS NOT NULL')->orderBy('id');

        return $query->first();
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

    private function isOver(): bool
    {
        return $this->guest_until?->copy()->endOfDay()->isPast() === true;
    }

    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class, 'left_at' => 'datetime', 'guest_until' => 'date', 'board_views' => 'array',
            'totp_secret' => TotpSecret::class, 'recovery_codes' => 'array',
        ];
    }
}
