<?php

declare(strict_types=1);

namespace App\Stage\FleetFeed;

use App\Models\FleetFeed;
use App\Models\TransferSwitch;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** A device that is to report by itself; its token is shown once. */
final readonly class AddFleetFeed
{
    private const MOST = 2000;

    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate([
            'feed_switch' => ['required', 'integer'], 'feed_name' => ['required', 'string', 'max:60'],
            'interval_s' => ['required', 'integer', 'between:10,86400'],
        ], [
            'feed_switch.*' => 'Choose a switch.', 'feed_name.*' => 'A name for this device.',
            'interval_s.*' => 'Every 10 seconds to once a day (86 400).',
        ]);
        $switch = TransferSwitch::query()->findOrFail((int) $fields['feed_switch']);
        if (FleetFeed::query()->whereNull('ended_at')->count() >= self::MOST) {
            throw ValidationException::withMessages(['feed_name' => 'Two thousand devices at most: end one first.']);
        }
        /** @var User $user */
        $user = $request->user();
        $token = Str::random(40);
        FleetFeed::query()->create([
            'company_id' => $user->company_id, 'switch_id' => $switch->id, 'user_id' => $user->id, 'name' => $fields['feed_name'],
            'token_hash' => FleetFeed::hash($token), 'interval_s' => (int) $fields['interval_s'],
        ]);

        return redirect()->route('devices')->with('feed-token', $token);
    }
}
