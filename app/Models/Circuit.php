<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * The control circuit of a switch, and the proof of it as far as it has come.
 *
 * @property int                  $id
 * @property int                  $company_id
 * @property int                  $switch_id
 * @property int                  $user_id
 * @property string               $document JSON as `relay_check` reads it
 * @property string               $supplies JSON as `relay_play` reads them
 * @property string               $times    JSON as `relay_play` reads them
 * @property string               $stamp    of the document: a proof is of exactly one
 * @property 'cancelled'|'done'|'failed'|'none'|'running'|'waiting' $proof_state
 * @property int                  $proof_done    single faults searched through
 * @property int                  $proof_of      of so many
 * @property ?string              $proof_problem why there is none
 * @property ?int                 $stops
 * @property ?int                 $warns
 * @property ?string              $proof         serialized
 * @property User                 $user
 * @property TransferSwitch       $switch
 * @property Carbon               $updated_at
 */
final class Circuit extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<TransferSwitch, $this> */
    public function switch(): BelongsTo
    {
        return $this->belongsTo(TransferSwitch::class);
    }

    public function isBeingProved(): bool
    {
        return $this->proof_state === 'waiting' || $this->proof_state === 'running';
    }
}
