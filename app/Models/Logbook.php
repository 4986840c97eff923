<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\Record\RecordChain;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The logbook of a switch as a record: what is written into it is chained.
 *
 * @property int    $id
 * @property int    $company_id
 * @property int    $switch_id
 * @property string $head       hash of the last entry of its record
 * @property ?string $seal of the head; null from before there were keys
 */
final class Logbook extends Model implements Recorded
{
    use BelongsToCompany;

    public $timestamps = false;
    protected $guarded = [];

    /** That of a switch, its row locked; begun where there is none. To be called inside a transaction. */
    public static function locked(TransferSwitch $switch): self
    {
        TransferSwitch::locked($switch->id); // two who begin it come one after the other
        $query = self::query();
        $query->where('switch_id', $switch->id)->lockForUpdate();

        return $query->first() ?? self::query()->create([
            'company_id' => $switch->company_id, 'switch_id' => $switch->id, 'head' => RecordChain::GENESIS,
        ]);
    }

    /** @return HasMany<RecordEntry, $this> */
    public function entries(): HasMany
    {
        $relation = $this->hasMany(RecordEntry::class);
        $relation->orderBy('seq');

        return $relation;
    }

    public function recordKey(): string
    {
        return 'logbook_id';
    }
}
