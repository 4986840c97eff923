<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What is the whole company's is no guest's to change, and no apprentice's. */
final class MayWriteForAll
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        $may = $user instanceof User && $user->role->mayWriteForAll();
        abort_unless($may, 403, 'This is the whole company\'s: a technician of it does it.');

        return $next($request);
    }
}
