<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One planning of all open visits over the people of a company.
 *
 * @property int                   $id
 * @property int                   $company_id
 * @property int                   $user_id
 * @property Carbon                $start
 * @property int                   $days
 * @property SeasonState           $state
 * @property ?array<string, mixed> $result  the answer of visit_plan
 * @property ?string               $failure
 * @property Carbon                $created_at
 */
final class VisitPlanning extends Model
{
    use BelongsToCompany;

    protected $table = 'visit_plans';
    protected $guarded = [];

    protected function casts(): array
    {
        return ['start' => 'date:Y-m-d', 'state' => SeasonState::class, 'result' => 'array'];
    }
}
