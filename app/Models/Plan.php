<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What is planned for a switch beside what the survey found: neutrals, bonds, breaker, and the choice of what is carried.
 *
 * @property int                  $id
 * @property int                  $company_id
 * @property int                  $switch_id
 * @property int                  $user_id
 * @property User                 $user
 * @property array<string, mixed> $facts
 * @property ?list<array<string, mixed>> $runs feeders as typed, lengths in metres
 * @property ?array<string, mixed> $power_down the input of `power_down`, and opens_at: the hour at the site
 * @property ?string              $choice
 * @property ?string              $choice_reason
 * @property Carbon               $updated_at
 */
final class Plan extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['facts' => 'array', 'runs' => 'array', 'power_down' => 'array'];
    }
}
