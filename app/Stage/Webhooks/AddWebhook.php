<?php

declare(strict_types=1);

namespace App\Stage\Webhooks;

use App\Models\User;
use App\Models\Webhook;
use App\Stage\PublicAddress;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Adds an address that is called from now on; the secret that signs is shown once. */
final readonly class AddWebhook
{
    private const MOST = 10;
    private const SECRET_BYTES = 32;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'url' => ['required', 'string', 'max:500'],
            'events' => ['required', 'array', 'min:1'], 'events.*' => [Rule::in(array_keys(Webhook::EVENTS))],
        ], ['events.*' => 'Choose when it is called.', 'url.*' => 'An address of up to 500 letters.']);
        try {
            PublicAddress::of($fields['url']);
        } catch (\DomainException $refused) {
            throw ValidationException::withMessages(['url' => $refused->getMessage()]);
        }
        if (Webhook::query()->count() >= self::MOST) {
            throw ValidationException::withMessages(['url' => 'Ten addresses at most: take one away first.']);
        }
        /** @var User $user */
        $user = $request->user();
        $secret = bin2hex(random_bytes(self::SECRET_BYTES));
        Webhook::query()->create([
            'company_id' => $user->company_id, 'user_id' => $user->id, 'url' => $fields['url'],
            'events' => array_values(array_unique($fields['events'])), 'secret' => $secret,
        ]);

        return redirect()->route('webhooks')->with('secret', $secret);
    }
}
