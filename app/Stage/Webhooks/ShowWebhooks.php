<?php

declare(strict_types=1);

namespace App\Stage\Webhooks;

use App\Models\Webhook;
use Illuminate\Contracts\View\View;

final readonly class ShowWebhooks
{
    private const SHOWN = 10;

    public function __invoke(): View
    {
        $query = Webhook::query();
        $query->orderBy('id');
        $hooks = $query->get();
        foreach ($hooks as $hook) {
            $hook->setRelation('calls', $hook->calls()->limit(self::SHOWN)->get());
        }

        return view('webhooks.page', ['hooks' => $hooks]);
    }
}
