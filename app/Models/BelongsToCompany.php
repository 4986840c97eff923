<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\Auth;

/**
 * Every query of such a model sees the signed-in user's company and nothing else; without a user it sees nothing, a guest only the sites
 * that were named.
 *
 * A route that looks a model up by its id therefore answers 404 to a stranger, and never says that it exists.
 * Console and seeders lift the scope by name: withoutGlobalScope('company').
 */
trait BelongsToCompany
{
    public static function bootBelongsToCompany(): void
    {
        static::addGlobalScope('company', static function (Builder $query): void {
            $user = Auth::user();
            $query->where($query->getModel()->getTable() . '.company_id', $user->company_id ?? 0);
            if ($user instanceof User && $user->role === Role::Guest) {
                GuestView::narrow($query, $user);
            }
        });
    }
}
