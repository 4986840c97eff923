<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What is read whole into memory has a limit of its own; files are streamed, and have theirs. */
final class SmallBody
{
    private const MOST_BYTES = 4_000_000;

    public function handle(Request $request, \Closure $next): Response
    {
        $isFiles = str_starts_with((string) $request->headers->get('Content-Type'), 'multipart/');
        if (! $isFiles && max((int) $request->headers->get('Content-Length'), strlen($request->getContent())) > self::MOST_BYTES) {
            abort(413, 'This is more than 4 MB at once. Send it in parts.');
        }

        return $next($request);
    }
}
