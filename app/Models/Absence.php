<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Days on which somebody, or nobody at all of the company, works.
 *
 * @property int     $id
 * @property int     $company_id
 * @property ?int    $user_id null: the whole company
 * @property Carbon  $from
 * @property Carbon  $to      the last day
 * @property string  $words
 * @property ?string $uid     of the event in the calendar it was imported from
 * @property ?User   $user
 */
final class Absence extends Model
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
        return ['from' => 'date:Y-m-d', 'to' => 'date:Y-m-d'];
    }
}
