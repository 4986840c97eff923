<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A viewer reads everything of the company and changes nothing. */
final class MayWrite
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        abort_unless($user instanceof User && $user->role->mayWrite(), 403, 'You may look, not change. Ask your lead.');

        return $next($request);
    }
}
