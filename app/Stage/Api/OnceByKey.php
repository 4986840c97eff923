<?php

declare(strict_types=1);

namespace App\Stage\Api;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\HttpFoundation\Response;

/**
 * A request that is sent again with its Idempotency-Key gets the answer of the first, for a day. Only what was done is kept: after a
 * refusal or a failure the same key may be tried again.
 */
final class OnceByKey
{
    private const KEPT_S = 86_400;
    private const LONGEST_S = 60;
    private const KEY = '/^[\x21-\x7e]{8,128}$/D';

    public function handle(Request $request, \Closure $next): Response
    {
        $key = $request->headers->get('Idempotency-Key');
        if ($key === null) {
            return $next($request);
        }
        if (preg_match(self::KEY, $key) !== 1) {
            return Problem::answer(400, 'An Idempotency-Key has 8 to 128 characters without spaces.');
        }
        /** @var User $user */
        $user = $request->user();
        $name = 'once|' . hash('sha256', "$user->id|{$request->method()}|{$request->path()}|$key");
        $body = hash('sha256', $request->getContent());
        $lock = Cache::lock("$name|lock", self::LONGEST_S);
        if (! $lock->get()) {
            return Problem::answer(409, 'Ask again in a moment: the first answer will be there.', headers: ['Retry-After' => '1']);
        }
        try {
            $kept = Cache::get($name);
            if (is_array($kept)) {
                return $kept['body'] === $body
                    ? new JsonResponse($kept['answer'], $kept['status'], ['Idempotent-Replay' => 'true'] + $kept['headers'], json: true)
                    : Problem::answer(422, 'This key was used with another body. A new errand has a new key.');
            }
            $answer = $next($request);
            if ($answer->isSuccessful()) {
                Cache::put($name, ['body' => $body, 'status' => $answer->getStatusCode(), 'answer' => $answer->getContent(),
                    'headers' => array_filter(['Location' => $answer->headers->get('Location')]),
                ], self::KEPT_S);
            }

            return $answer;
        } finally {
            $lock->release();
        }
    }
}
