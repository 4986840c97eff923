<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** An apprentice works and writes; the name under it is a technician's. */
final class MaySign
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        abort_unless($user instanceof User && $user->role->maySign(), 403, 'A technician signs this: ask for it, nothing is lost.');

        return $next($request);
    }
}
