<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A list of disturbances played through several candidate sheets, in the queue.
 *
 * @property int                       $id
 * @property int                       $company_id
 * @property int                       $switch_id
 * @property int                       $user_id
 * @property User                      $user
 * @property TransferSwitch            $switch
 * @property string                    $title
 * @property array<string, mixed>      $input   `settings_compare` as on the wire
 * @property SeasonState               $state
 * @property int                       $played  candidates done
 * @property ?array<string, mixed>     $result
 * @property ?string                   $failure
 * @property Carbon                    $created_at
 */
final class Season extends Model
{
    use BelongsToCompany;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class, 'switch_id');
    }

    protected function casts(): array
    {
        return ['input' => 'array', 'result' => 'array', 'state' => SeasonState::class];
    }
}
