<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** Each request has a number. Every line of the log carries it, and so does the page that tells of a failure. */
final class NamedRequest
{
    public function handle(Request $request, \Closure $next): Response
    {
        $id = Str::lower(Str::random(10));
        Context::add('request', $id);
        $response = $next($request);
        $response->headers->set('X-Request-Id', $id);

        return $response;
    }
}
