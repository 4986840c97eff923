<?php

declare(strict_types=1);

namespace App\Models;

use App\Device\Installation;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A made-up installation with the plant, sheet and loads of a switch. The daemon plays it; what it needs to go on is kept here.
 *
 * @phpstan-import-type Kept from Installation
 *
 * @property int            $id
 * @property int            $company_id
 * @property int            $switch_id
 * @property int            $user_id
 * @property string         $serial
 * @property int            $place    which pair of ports, from 0
 * @property Kept           $kept
 * @property Carbon         $stood_at when it was put up: another one is another bench
 * @property ?Carbon        $kept_at
 * @property TransferSwitch $switch
 */
final class Bench extends Model
{
    use BelongsToCompany;

    public $timestamps = false;
    protected $guarded = [];

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    public function modbusPort(): int
    {
        return config()->integer('bench.port') + 2 * $this->place;
    }

    public function linesPort(): int
    {
        return $this->modbusPort() + 1;
    }

    protected function casts(): array
    {
        return ['kept' => 'array', 'stood_at' => 'datetime', 'kept_at' => 'datetime'];
    }
}
