<?php

declare(strict_types=1);

namespace App\Stage\Calendar;

use App\Models\Feed;
use App\Models\Site;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Makes the address of a calendar feed; it is shown once. */
final readonly class MakeFeed
{
    public function __invoke(Request $request): RedirectResponse
    {
        $fields = $request->validate(
            ['feed' => ['required', 'string', 'regex:/^(company|me|site:\d+)$/D']],
            ['feed.*' => 'Choose a calendar.'],
        );
        /** @var User $user */
        $user = $request->user();
        [$scope, $id] = array_pad(explode(':', (string) $fields['feed']), 2, null);
        $site = $scope === 'site' ? Site::query()->find((int) $id) : null;
        if ($scope === 'site' && $site === null) {
            throw ValidationException::withMessages(['feed' => 'There is no such site.']);
        }
        [, $token] = Feed::make($user, [
            'scope' => $scope === 'me' ? 'person' : (string) $scope, 'site_id' => $site?->id,
            'person_id' => $scope === 'me' ? $user->id : null,
        ]);

        return redirect()->route('calendar')->with('feed', route('feed', $token));
    }
}
