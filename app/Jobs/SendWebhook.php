<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\WebhookCall;
use App\Stage\PublicAddress;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Http;

/** Sends one signed message to an address; later again, six times at most, when the address does not accept it. */
final class SendWebhook implements ShouldQueue
{
    use Queueable;

    /** Seconds to the next try, after each that failed. */
    public const AGAIN_S = [60, 300, 1800, 7200, 28_800];
    private const CONNECT_S = 3;
    private const ANSWER_S = 8;
    private const SAID = 200;

    /** Of the job, when a worker dies in the middle; what is not taken comes again as another one. */
    public int $tries = 3;

    public function __construct(private readonly string $callId) {}

    public function handle(): void
    {
        $call = WebhookCall::query()->withoutGlobalScopes()->find($this->callId);
        $hook = $call?->webhook()->withoutGlobalScopes()->first();
        if ($call === null || $hook === null || $call->delivered_at !== null) {
            return; // taken away meanwhile, or accepted already
        }
        $tries = $call->tries + 1;
        $said = self::sent($hook->url, $hook->secret, $call);
        $isTaken = $said === null;
        $next = self::AGAIN_S[$tries - 1] ?? null;
        $call->update([
            'tries' => $tries, 'said' => $said === null ? 'Taken.' : mb_substr($said, 0, self::SAID),
            'delivered_at' => $isTaken ? Carbon::now() : null,
            'given_up_at' => ! $isTaken && $next === null ? Carbon::now() : null,
        ]);
        if (! $isTaken && $next !== null) {
            self::dispatch($call->id)->delay($next);
        }
    }

    /** A receiver computes the same to check the sender: HMAC-SHA-256 over time, a point and the body. */
    public static function signature(string $secret, int $at, string $body): string
    {
        return "t=$at,v1=" . hash_hmac('sha256', "$at.$body", $secret);
    }

    /** @return ?string why it was not taken; null when it was */
    private static function sent(string $url, string $secret, WebhookCall $call): ?string
    {
        try {
            $address = PublicAddress::of($url);
            $answer = Http::connectTimeout(self::CONNECT_S)->timeout(self::ANSWER_S)
                ->withOptions(['allow_redirects' => false, 'sink' => '/dev/null', 'curl' => [CURLOPT_RESOLVE => [$address->pinned()]]])
                ->withHeaders([
                    'Escapement-Event' => $call->event, 'Escapement-Delivery' => $call->id,
                    'Escapement-Signature' => self::signature($secret, Carbon::now()->getTimestamp(), $call->body),
                ])
                ->withBody($call->body, 'application/json')->post($url);

            return $answer->successful() ? null : "It answered {$answer->status()}.";
        } catch (\DomainException $refused) {
            return $refused->getMessage();
        } catch (ConnectionException) {
            return 'Nobody answered there in time.';
        }
    }
}
