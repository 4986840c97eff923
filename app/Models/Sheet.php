<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One version of a settings sheet; once written it never changes.
 *
 * @property int                  $id
 * @property int                  $company_id
 * @property int                  $switch_id
 * @property int                  $version
 * @property Standing             $standing
 * @property array<string, mixed> $settings
 * @property array<string, mixed> $habits
 * @property ?string              $note
 * @property int                  $user_id
 * @property User                 $user
 * @property Carbon               $created_at
 */
final class Sheet extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected static function booted(): void
    {
        $refuse = static fn(): never => throw new \LogicException('A settings sheet is never changed: write a new version.');
        self::updating($refuse);
        self::deleting($refuse);
    }

    protected function casts(): array
    {
        return ['standing' => Standing::class, 'settings' => 'array', 'habits' => 'array', 'created_at' => 'datetime'];
    }
}
