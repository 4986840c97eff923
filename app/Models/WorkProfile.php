<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Where and when somebody works, and what they can do. Without one, no visit is planned for them.
 *
 * @property int          $id
 * @property int          $company_id
 * @property int          $user_id
 * @property float        $lat    of the base
 * @property float        $lon
 * @property list<string> $days   mon to sun
 * @property string       $from   leaves the base
 * @property string       $to     is back
 * @property list<string> $skills
 * @property User         $user
 */
final class WorkProfile extends Model
{
    use BelongsToCompany;

    /** Of somebody who has entered none. */
    public const USUAL_DAYS = ['mon', 'tue', 'wed', 'thu', 'fri'];
    public const DAYS = ['mon' => 'Mon', 'tue' => 'Tue', 'wed' => 'Wed', 'thu' => 'Thu', 'fri' => 'Fri', 'sat' => 'Sat', 'sun' => 'Sun'];

    protected $guarded = [];

    /** The days as they are written in a table: Mon Tue. */
    public function dayNames(): string
    {
        return implode(' ', array_map(static fn(string $day): string => self::DAYS[$day] ?? $day, $this->days));
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['lat' => 'float', 'lon' => 'float', 'days' => 'array', 'skills' => 'array'];
    }
}
