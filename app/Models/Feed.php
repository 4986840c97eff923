<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * A calendar that a program without an account may read, by the token in its address, until it is revoked.
 *
 * @property int     $id
 * @property int     $company_id
 * @property int     $user_id
 * @property string  $scope     company, site, person
 * @property ?int    $site_id
 * @property ?int    $person_id
 * @property string  $token_hash
 * @property ?Carbon $revoked_at
 * @property Carbon  $created_at
 */
final class Feed extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /**
     * The token is shown once; the database holds only its hash.
     *
     * @param array<string, mixed> $of scope, site_id, person_id
     *
     * @return array{self, string}
     */
    public static function make(User $user, array $of): array
    {
        $token = Str::random(40);

        return [self::query()->create($of + [
            'company_id' => $user->company_id, 'user_id' => $user->id, 'token_hash' => hash('sha256', $token),
        ]), $token];
    }

    public static function byToken(string $token): ?self
    {
        $query = self::query()->withoutGlobalScope('company');
        $query->where('token_hash', hash('sha256', $token))->whereNull('revoked_at');

        return $query->first();
    }

    protected function casts(): array
    {
        return ['revoked_at' => 'datetime'];
    }
}
