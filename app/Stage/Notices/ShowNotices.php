<?php

declare(strict_types=1);

namespace App\Stage\Notices;

use App\Models\Notice;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The notices of the signed-in person: sent, waiting, or not sent and why. */
final readonly class ShowNotices
{
    private const MOST = 200;

    public function __invoke(Request $request): View
    {
        /** @var User $user */
        $user = $request->user();
        $query = Notice::query();
        $query->where('user_id', $user->id)->orderByDesc('id')->limit(self::MOST);

        return view('notices.page', [
            'notices' => $query->get(), 'user' => $user, 'isMailed' => ! in_array(config('mail.default'), ['array', 'log'], true),
        ]);
    }
}
