<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * How often an item is serviced at a site, or in the whole company, instead of the generic interval.
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
    use ChangesStatus;

    protected $guarded = [];

    /**
     * What holds for a switch: its own before the company's.
     *
     * @return array<string, self> by item
     */
    public static function of(int $switchId): array
    {
        $query = self::query();
        $query->where(static function ($either) use ($switchId): void {
            $either->whereNull('switch_id')->orWhere('switch_id', $switchId);
        })->orderByRaw('switch_id IS NOT NULL');

        return $query->get()->keyBy('item')->all();
    }

    /** One of the company changes what is due everywhere. */
    public function noteStatusChange(): void
    {
        if ($this->switch_id !== null) {
            StatusChange::ofSwitch($this->switch_id);
        } else {
            StatusChange::ofCompany($this->company_id);
        }
    }

    protected function casts(): array
    {
        return ['hours' => 'float', 'months' => 'integer', 'is_off' => 'boolean'];
    }
}
