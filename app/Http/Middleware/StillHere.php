<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Ends the open sessions of somebody who has left the company, and of a guest whose last day is over. */
final class StillHere
{
    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && ! $user->isHere()) {
            Auth::logout();
            $request->session()->invalidate();

            return $request->expectsJson() ? response()->json(['message' => 'Signed out.'], 401) : redirect('/login');
        }

        return $next($request);
    }
}
