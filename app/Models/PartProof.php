<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\Commissioning\Proof\ProofPart;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What a signed run says to one part of the proof of its switch.
 *
 * @property int                   $id
 * @property int                   $company_id
 * @property int                   $switch_id
 * @property int                   $run_id
 * @property ProofPart             $part
 * @property string                $outcome  proved, noted, failed, open
 * @property int                   $edition  of the procedure that the run was begun under
 * @property list<string>          $why
 * @property array<string, string> $basis
 * @property string                $by_name
 * @property Carbon                $proved_at
 */
final class PartProof extends Model
{
    use BelongsToCompany;
    use ChangesStatus;

    public $timestamps = false;
    protected $guarded = [];

    protected function casts(): array
    {
        return ['part' => ProofPart::class, 'why' => 'array', 'basis' => 'array', 'proved_at' => 'datetime'];
    }
}
