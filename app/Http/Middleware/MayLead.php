<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Role;
use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Who may sign in for the company is the lead's affair. */
final class MayLead
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        abort_unless($user instanceof User && $user->role === Role::Lead, 403, 'Only a lead adds and changes people.');

        return $next($request);
    }
}
