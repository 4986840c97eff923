<?php

declare(strict_types=1);

namespace App\Stage\Account;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A form that was sent after its session had ended: what was typed waits, encrypted, in the new session, and stands in its form
 * again after the sign-in. It is shown, not saved: saving stays with the person.
 */
final readonly class Interrupted
{
    private const KEY = 'interrupted';
    private const MOST_BYTES = 500_000;
    private const SAID = 'Your session had ended. What you typed is here again: look at it, and save it.';

    /** Where to go with a form that cannot be taken; null where there is nothing to keep, or it came from elsewhere. */
    public static function kept(Request $request): ?Response
    {
        $back = self::from($request);
        if ($back === null || $request->isMethodSafe() || $request->expectsJson() || ! $request->hasSession()) {
            return null;
        }
        $typed = self::typed($request);
        if ($typed === []) {
            return null;
        }
        if (Auth::check()) {
            return self::to($request, redirect()->to($back)->withInput($typed)->with('said', self::SAID));
        }
        $request->session()->put(self::KEY, ['back' => $back, 'typed' => $typed]);

        return self::to(
            $request,
            redirect()->route('login')->with('said', 'Your session has ended. Sign in, and go on with what you typed.'),
        );
    }

    /** What was sent waits in this session until `resumed`: the person has to say who they are before it is taken. */
    public static function hold(Request $request): void
    {
        $back = self::from($request);
        if ($back !== null) {
            $request->session()->put(self::KEY, ['back' => $back, 'typed' => self::typed($request)]);
        }
    }

    /** @return array<array-key, mixed> without what nobody else may read */
    private static function typed(Request $request): array
    {
        $typed = array_filter(
            (array) $request->input(),
            static fn(int|string $key): bool => ! in_array($key, ['_token', '_method'], true) && ! str_contains((string) $key, 'password'),
            ARRAY_FILTER_USE_KEY,
        );

        return strlen((string) json_encode($typed, JSON_PARTIAL_OUTPUT_ON_ERROR)) > self::MOST_BYTES ? [] : $typed;
    }

    public static function resumed(Request $request): ?RedirectResponse
    {
        $kept = $request->session()->pull(self::KEY);

        return is_array($kept) ? redirect()->to($kept['back'])->withInput($kept['typed'])->with('said', self::SAID) : null;
    }

    /** The page of the form: on this host, and not the sign-in itself. */
    private static function from(Request $request): ?string
    {
        $came = parse_url((string) $request->headers->get('referer'));
        $isOurs = is_array($came) && isset($came['path']) && ($came['host'] ?? '')
            . (isset($came['port']) ? ":{$came['port']}" : '') === $request->getHttpHost();
        if (! $isOurs || $came['path'] === '/login' || $request->headers->get('sec-fetch-site', 'same-origin') !== 'same-origin') {
            return null;
        }

        return $came['path'] . (isset($came['query']) ? "?{$came['query']}" : '');
    }

    private static function to(Request $request, RedirectResponse $redirect): Response
    {
        return $request->headers->has('HX-Request') ? response('', 204, ['HX-Redirect' => $redirect->getTargetUrl()]) : $redirect;
    }
}
