<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

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
 * @property ?array<string, mixed> $landing    enclosures with their terminals in the order of landing, and boxes
 * @property ?array<string, mixed> $mobile     inverter, batteries and cords as typed, lengths in metres
 * @property ?array<string, mixed> $pack       own lines and what is ticked off
 * @property ?string              $choice
 * @property ?string              $choice_reason
 * @property Carbon               $updated_at
 */
final class Plan extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * Keeps a part of the plan of a switch, which begins with it.
     *
     * @param array<string, mixed> $columns the first is what the form of the request showed
     * @param null|\Closure(mixed, string): void $look told what is kept by now, and by whom, before it is replaced; it may refuse
     */
    public static function keep(TransferSwitch $switch, User $user, array $columns, ?\Closure $look = null): void
    {
        DB::transaction(static function () use ($switch, $user, $columns, $look): void {
            TransferSwitch::locked($switch->id); // two beginnings of one plan come one after the other
            $plan = self::query()->firstOrNew(['switch_id' => $switch->id], ['company_id' => $switch->company_id, 'facts' => []]);
            if ($look !== null && $plan->exists) {
                $look(
                    $plan->getAttribute((string) array_key_first($columns)),
                    "by {$plan->user->name} at " . $plan->updated_at->copy()->setTimezone($switch->site->timezone)->format('H:i'),
                );
            }
            $plan->fill($columns + ['user_id' => $user->id])->save();
        });
    }

    protected function casts(): array
    {
        return [
            'facts' => 'array',
            'runs' => 'array',
            'power_down' => 'array',
            'landing' => 'array',
            'mobile' => 'array',
            'pack' => 'array',
        ];
    }
}
