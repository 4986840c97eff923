<?php

declare(strict_types=1);

namespace App\Stage;

use App\Jobs\SendWebhook;
use App\Models\Webhook;
use App\Models\WebhookCall;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** Messages to the addresses of a company. Each is saved in the transaction of what happened, and sent after the commit. */
final readonly class Hooks
{
    /**
     * To be called inside the transaction of what happened.
     *
     * @param key-of<Webhook::EVENTS> $event
     * @param array<string, mixed>    $what
     */
    public static function tell(int $companyId, string $event, array $what): void
    {
        $query = Webhook::query()->withoutGlobalScopes();
        foreach ($query->where('company_id', $companyId)->get() as $hook) {
            if (in_array($event, $hook->events, true)) {
                self::call($hook, $event, $what);
            }
        }
    }

    /** @param array<string, mixed> $what */
    public static function call(Webhook $hook, string $event, array $what): void
    {
        $id = (string) Str::uuid();
        $call = WebhookCall::query()->create([
            'id' => $id, 'company_id' => $hook->company_id, 'webhook_id' => $hook->id, 'event' => $event,
            'body' => json_encode(
                ['id' => $id, 'event' => $event, 'at' => Carbon::now()->toIso8601ZuluString('millisecond')] + $what,
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
            ),
        ]);
        SendWebhook::dispatch($call->id)->afterCommit();
    }
}
