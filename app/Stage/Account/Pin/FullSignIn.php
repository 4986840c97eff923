<?php

declare(strict_types=1);

namespace App\Stage\Account\Pin;

use App\Stage\Account\Interrupted;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Middleware of what a PIN does not open: a signature, people, accounts. The password is asked for first; what was typed waits. */
final class FullSignIn
{
    private const KEY = 'by_pin';

    public static function byPin(Request $request): void
    {
        $request->session()->put(self::KEY, true);
    }

    public static function isByPin(Request $request): bool
    {
        return $request->hasSession() && $request->session()->get(self::KEY) === true;
    }

    public static function completed(Request $request): void
    {
        $request->session()->forget(self::KEY);
    }

    public function handle(Request $request, \Closure $next): Response
    {
        if (! self::isByPin($request)) {
            return $next($request);
        }
        if ($request->expectsJson()) {
            return response()->json(['message' => 'This needs the password: the PIN is for marks and answers.'], 403);
        }
        if ($request->isMethodSafe()) {
            $request->session()->put('url.intended', $request->fullUrl());
        } else {
            Interrupted::hold($request);
        }
        $to = route('change.password');

        return $request->headers->has('HX-Request') ? response('', 204, ['HX-Redirect' => $to]) : redirect()->to($to);
    }
}
