<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Work at one site, to be planned: what, how long, within which window; and where the plan has put it.
 *
 * @property int            $id
 * @property int            $company_id
 * @property int            $switch_id
 * @property list<string>   $items        service items, or own words
 * @property ?string        $note
 * @property int            $duration_min
 * @property list<string>   $skills
 * @property int            $priority     5 most urgent
 * @property ?Carbon        $earliest
 * @property ?Carbon        $latest
 * @property ?Carbon        $due
 * @property string         $from         work begins not before
 * @property string         $to           and ends not after
 * @property ?int           $locked_user_id chosen by a person, with the day
 * @property ?Carbon        $locked_on
 * @property ?int           $placed_user_id
 * @property ?Carbon        $placed_on
 * @property ?int           $arrive_min   of the day
 * @property ?int           $begin_min
 * @property ?int           $end_min
 * @property ?string        $unplaced_why
 * @property int            $sequence     of its appointment
 * @property ?Carbon        $done_at
 * @property TransferSwitch $switch
 * @property ?User          $placed
 * @property ?Carbon        $updated_at
 */
final class Visit extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /** The visit with its row locked. */
    public static function locked(int $id): self
    {
        $query = self::query();
        $query->lockForUpdate();

        return $query->findOrFail($id);
    }

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    /** @return BelongsTo<User, $this> */
    public function placed(): BelongsTo
    {
        return $this->belongsTo(User::class, 'placed_user_id');
    }

    /** As the end of a sentence. */
    public function lockWords(): string
    {
        return $this->isLocked() ? ', locked' : '';
    }

    public function isLocked(): bool
    {
        return $this->locked_user_id !== null;
    }

    protected function casts(): array
    {
        $day = 'date:Y-m-d';

        return [
            'items' => 'array', 'skills' => 'array', 'earliest' => $day, 'latest' => $day, 'due' => $day, 'locked_on' => $day,
            'placed_on' => $day, 'done_at' => 'datetime',
        ];
    }
}
