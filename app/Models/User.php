<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;

/**
 * @property int     $id
 * @property int     $company_id
 * @property string  $name
 * @property string  $email
 * @property string  $password
 * @property Role    $role
 * @property ?Carbon $left_at
 * @property Company $company
 */
final class User extends Authenticatable
{
    protected $guarded = [];
    protected $hidden = ['password', 'remember_token'];

    /** @return BelongsTo<Company, $this> */
    public function company(): BelongsTo
    {
        return $this->belongsTo(Company::class);
    }

    /** "R.V." for a list, "RV" for a button. */
    public function initials(string $dot = '.'): string
    {
        $letters = array_map(static fn(string $word): string => mb_substr($word, 0, 1) . $dot, explode(' ', $this->name));

        return mb_strtoupper(implode('', $letters));
    }

    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class, 'left_at' => 'datetime'];
    }
}
