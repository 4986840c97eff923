<?php

declare(strict_types=1);

namespace App\Stage\Plan;

use App\Models\Company;
use App\Models\Plan;
use App\Models\TransferSwitch;

/** Which code in which edition a site is planned by: what its plan says, else what its company works to; null is not stated. */
final readonly class CodeEdition
{
    public static function of(TransferSwitch $switch, ?Plan $plan): ?string
    {
        $ofPlan = $plan->facts['code_edition'] ?? null;

        return is_string($ofPlan) && $ofPlan !== '' ? $ofPlan : Company::query()->find($switch->company_id)?->code_edition;
    }
}
