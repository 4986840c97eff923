<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int    $id
 * @property int    $company_id
 * @property int    $switch_id
 * @property int    $place
 * @property string $name
 * @property string $kw
 * @property int    $priority
 * @property bool   $must_run
 * @property bool   $shed
 * @property ?string $connect    L1, L2, L1L2 …; null for the usual one of the system
 * @property string  $start_kva  when it starts, direct on line
 * @property bool    $compressor
 * @property bool    $essential
 * @property ?string $panel      element of the one-line it hangs on; null for where its kind puts it
 * @property string  $duty_pct   share of the time it runs
 * @property bool    $sensitive  electronics that sulk when power blinks
 * @property bool    $ups        carried over a blink by a supply of its own
 */
final class LoadItem extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    public $timestamps = false;
    protected $table = 'loads';
    protected $guarded = [];

    protected function casts(): array
    {
        return [
            'must_run' => 'boolean',
            'shed' => 'boolean',
            'compressor' => 'boolean',
            'essential' => 'boolean',
            'sensitive' => 'boolean',
            'ups' => 'boolean',
        ];
    }
}
