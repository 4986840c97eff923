<?php

declare(strict_types=1);

namespace App\Stage\Webhooks;

use App\Models\Webhook;
use Illuminate\Http\RedirectResponse;

final readonly class RemoveWebhook
{
    public function __invoke(Webhook $hook): RedirectResponse
    {
        $hook->delete();

        return redirect()->route('webhooks')->with('said', 'Removed. It is not called any more.');
    }
}
