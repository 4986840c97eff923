<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Nothing inline, nothing from elsewhere, no framing, no sniffing; pages of a company are kept by nobody in between. */
final class SecurityHeaders
{
    private const POLICY = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; "
        . "connect-src 'self'; worker-src 'self'; manifest-src 'self'; object-src 'none'; base-uri 'none'; "
        . "frame-ancestors 'none'; form-action 'self'";

    public function handle(Request $request, \Closure $next): Response
    {
        $response = $next($request);
        $response->headers->set('Content-Security-Policy', self::POLICY);
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('Referrer-Policy', 'same-origin');
        if ($request->user() instanceof User) {
            $response->headers->set('Escapement-Person', (string) $request->user()->id); // whose page the worker of a phone keeps
        }
        $response->headers->set('Permissions-Policy', 'camera=(self), geolocation=(), microphone=()');
        if (! $response->headers->has('Cache-Control') || str_contains((string) $response->headers->get('Cache-Control'), 'no-cache')) {
            $response->headers->set('Cache-Control', 'no-store, private');
        }

        return $response;
    }
}
