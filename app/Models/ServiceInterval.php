<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * How often an item is serviced at a site, or in the whole company, instead of the generic interval. Saved as a list: SaveIntervals notes
 * once whose status changes by it.
 *
 * @property int     $id
 * @property int     $company_id
 * @property ?int    $switch_id null: of the whole company
 * @property int     $user_id
 * @property string  $item
 * @property ?float  $hours
 * @property ?int    $months
 * @property bool    $is_off    it is not done there
 * @property ?Carbon $updated_at
 */
final class ServiceInterval extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /**
     * What holds for a switch: its own before the company's.
     *
     * @return array<string, self> by item
     */
    public static function of(int $switchId): array
    {
        return self::around($switchId)->keyBy('item')->all();
    }

    /** @return Collection<int, self> the company's, then the switch's own */
    public static function around(int $switchId): Collection
    {
        $query = self::query();
        $query->where(static function ($either) use ($switchId): void {
            $either->whereNull('switch_id')->orWhere('switch_id', $switchId);
        })->orderByRaw('switch_id IS NOT NULL')->orderBy('id');

        return $query->get();
    }

    protected function casts(): array
    {
        return ['hours' => 'float', 'months' => 'integer', 'is_off' => 'boolean'];
    }
}
