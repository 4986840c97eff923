<?php

declare(strict_types=1);

namespace App\Stage\Account;

use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\RateLimiter;

/**
 * Failures of one kind, counted for whom and from where. From the fifth on each makes the next try wait twice as long, there and for
 * that one only: a person who knows the secret is never locked out by the tries of others.
 */
final readonly class Tries
{
    private const FREE = 5;
    private const FIRST_WAIT_S = 30;
    private const LONGEST_WAIT_S = 900;
    private const COUNTED_S = 3600;
    private const MOST_BY_PLACE = 60;

    private string $key;
    private string $place;

    /** @param string $whom an address, or the number of a person */
    public function __construct(private string $kind, private string $whom, private ?string $ip)
    {
        $this->key = "$kind|$whom|$ip";
        $this->place = "$kind|$ip";
    }

    /** Stops the request where the next try has to wait. */
    public function orWait(): void
    {
        foreach (["$this->key|wait" => 1, $this->place => self::MOST_BY_PLACE] as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                abort(429, headers: ['Retry-After' => (string) RateLimiter::availableIn($key)]);
            }
        }
    }

    public function failed(): void
    {
        Log::notice('Refused', ['kind' => $this->kind, 'whom' => $this->whom, 'from' => $this->ip]);
        RateLimiter::hit($this->place);
        $beyond = RateLimiter::hit($this->key, self::COUNTED_S) - self::FREE;
        if ($beyond >= 0) {
            RateLimiter::hit("$this->key|wait", (int) min(self::LONGEST_WAIT_S, self::FIRST_WAIT_S * 2 ** $beyond));
        }
    }

    public function succeeded(): void
    {
        RateLimiter::clear($this->key);
        RateLimiter::clear("$this->key|wait");
    }
}
