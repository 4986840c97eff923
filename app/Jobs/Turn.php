<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Season;
use App\Models\SeasonState;

/**
 * Which of the queues work goes to; a worker takes them in this order. What takes seconds never waits for what takes minutes, and a company
 * that has a season under way lets those of others go first.
 */
final readonly class Turn
{
    public const QUEUES = 'default,heavy,later';

    /** Of work that runs for seconds. */
    public const HEAVY = 'heavy';

    /** Of a season that is about to wait. */
    public static function ofSeason(int $companyId): string
    {
        $query = Season::query()->withoutGlobalScope('company')->where('company_id', $companyId);

        return $query->whereIn('state', [SeasonState::Waiting, SeasonState::Running])->exists() ? 'later' : self::HEAVY;
    }
}
