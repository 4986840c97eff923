<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One line of a logbook. It is never changed, only struck out.
 *
 * @property string               $id      from the device that wrote it, so that sending it twice keeps it once
 * @property int                  $company_id
 * @property int                  $switch_id
 * @property int                  $user_id
 * @property string               $kind
 * @property Carbon               $at
 * @property array<string, mixed> $fields  as an entry of `logbook_summary`, in its units
 * @property ?string              $note
 * @property ?string              $struck_why
 * @property string               $source  person, owner, device
 * @property ?Carbon              $seen_at when somebody of the company has read what the owner wrote
 * @property ?string              $shown   in small letters, for the search; null: not put into words yet
 * @property ?string              $shown_as clock and units of these words
 * @property User                 $user
 * @property Collection<int, Photo> $photos
 */
final class LogEntry extends Model
{
    use BelongsToCompany;
    use ChangesStatus;
    use MadeOnDevice;

    public const UPDATED_AT = null;
    protected $guarded = [];

    /** @return list<self> of a switch, in the order of time; struck ones too */
    public static function of(int $switchId): array
    {
        return array_values(self::query()->with('user')->where('switch_id', $switchId)->get()->sortBy('at')->all());
    }

    /** @return HasMany<Photo, $this> oldest first */
    public function photos(): HasMany
    {
        $relation = $this->hasMany(Photo::class);
        $relation->orderBy('created_at')->orderBy('id');

        return $relation;
    }

    protected function casts(): array
    {
        return ['at' => 'datetime', 'fields' => 'array', 'seen_at' => 'datetime'];
    }
}
