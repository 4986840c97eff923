<?php

declare(strict_types=1);

namespace App\Stage\Webhooks;

use App\Models\Webhook;
use App\Stage\Hooks;
use Illuminate\Http\RedirectResponse;

/** Sends something that means nothing, to see whether it arrives. */
final readonly class TryWebhook
{
    public function __invoke(Webhook $hook): RedirectResponse
    {
        Hooks::call($hook, 'ping', ['words' => 'Nothing has happened.']);

        return redirect()->route('webhooks')->with('said', 'On its way. What came back stands here in a moment.');
    }
}
