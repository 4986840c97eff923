<?php

declare(strict_types=1);

namespace App\Models;

use Escapement\Core\Commissioning\Procedure\JudgedAnswer;
use Escapement\Core\Commissioning\Procedure\Verdict;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * An answer to a step of a procedure. It is never changed: a later one of the same step counts instead.
 *
 * @property string               $id          made where it was given, so that sending twice is once
 * @property int                  $company_id
 * @property int                  $run_id
 * @property int                  $seq
 * @property string               $step
 * @property string               $expectation what it was given to, in words
 * @property ?string              $expected    the same as data; null: from before the two were told apart
 * @property array<string, mixed> $given       so, value, choice, skip_reason, note, name, drawing, photos
 * @property Verdict              $verdict
 * @property ?string              $client_wall
 * @property int                  $user_id
 * @property User                 $user
 * @property Carbon               $received_at
 */
final class StepAnswer extends Model
{
    use BelongsToCompany;
    use MadeOnDevice;

    public $timestamps = false;
    protected $guarded = [];

    public function judged(): JudgedAnswer
    {
        return new JudgedAnswer($this->step, $this->expectation, $this->verdict, $this->expected);
    }

    protected function casts(): array
    {
        return ['given' => 'array', 'verdict' => Verdict::class, 'received_at' => 'datetime'];
    }
}
