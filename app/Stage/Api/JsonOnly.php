<?php

declare(strict_types=1);

namespace App\Stage\Api;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** JSON in, JSON out: what is sent as something else would be read as empty, and that would be a lie. */
final class JsonOnly
{
    public function handle(Request $request, \Closure $next): Response
    {
        $request->headers->set('Accept', 'application/json');
        if (! $request->isMethodSafe()) {
            if (! $request->isJson()) {
                return Problem::answer(415, 'Send Content-Type: application/json.');
            }
            json_decode($request->getContent(), false, 512);
            if (json_last_error() !== JSON_ERROR_NONE) {
                return Problem::answer(400, 'The body is no JSON: ' . json_last_error_msg() . '.');
            }
        }

        return $next($request);
    }
}
